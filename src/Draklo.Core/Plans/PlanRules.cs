using System.Collections.Frozen;
using System.Collections.Immutable;
using System.ComponentModel.DataAnnotations;
using System.Reflection;
using System.Text.Json;
using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Plans;

/// <summary>What a plan must satisfy before anything is computed from it.</summary>
/// <remarks>Ranges stand as attributes on the members, where the JSON Schema reads them too; how members must agree with one another stands here.</remarks>
public static class PlanRules
{
    private static readonly FrozenDictionary<Type, ImmutableArray<Member>> Members = FindMembers([typeof(Plan), typeof(Species)]);

    /// <summary>Every problem of the plan; none when it can be computed as far as its own figures go.</summary>
    public static List<Problem> Check(Plan plan, UnitSystem units)
    {
        var problems = new List<Problem>();
        CheckHeader(plan.Format, plan.Version, problems);
        if (problems.Count > 0)
        {
            return problems;
        }

        CheckRanges(plan, "", units, problems);
        if (problems.Count == 0)
        {
            CheckTree(plan.Tree, problems, units);
            CheckCut(plan, problems, units);
            CheckLines(plan, problems, units);
            if (plan.Site.Targets.Count > 0 || plan.WalkUp.Count > 0)
            {
                CheckSite(plan, problems);
            }

            CheckGuesses(plan, problems);
        }

        return problems;
    }

    /// <summary>Whether a file is a plan of a version that is known here.</summary>
    public static void CheckHeader(string format, int version, List<Problem> problems)
    {
        if (format != Plan.FormatName)
        {
            problems.Add(new("format", $"This is not a Draklo plan: its format says “{(format.Length > 60 ? format[..60] + "…" : format)}” where a plan says “{Plan.FormatName}”."));
        }
        else if (version > Plan.CurrentVersion)
        {
            problems.Add(new("version", $"This plan was written by a newer Draklo (format version {version}; this one reads up to {Plan.CurrentVersion}): update this one, or export the plan again from there."));
        }
        else if (version < 1)
        {
            problems.Add(new("version", "The version of a plan is 1 or more: correct it."));
        }
    }

    private static void CheckTree(TreeMembers tree, List<Problem> problems, UnitSystem units)
    {
        if (tree.SpeciesId is null && tree.Wood is null)
        {
            problems.Add(new("tree.speciesId", "Say which species it is, or give the wood's own figures."));
        }

        if (tree is { SpeciesId: { } species, Wood: null } && !Reference.Species.ContainsKey(species))
        {
            problems.Add(new("tree.speciesId", $"The species “{species}” is not in the catalogue: choose one that is, or give the wood's own figures."));
        }

        CheckMass(tree, problems, units);
        if (tree.Decay is { } decay && decay.ShellM > decay.DiameterM / 2)
        {
            problems.Add(new("tree.decay.shellM", units.Say($"A sound shell of {decay.ShellM:cm} is thicker than half the stem of {decay.DiameterM:cm}: a stem without rot has a shell of {decay.DiameterM / 2:cm}.")));
        }

        if (tree.Crown.BaseHeightM >= tree.HeightM)
        {
            problems.Add(new("tree.crown.baseHeightM", units.Say($"The crown would begin at {tree.Crown.BaseHeightM:m}, above the top at {tree.HeightM:m}: lower the crown base or raise the height.")));
        }
    }

    private static void CheckMass(TreeMembers tree, List<Problem> problems, UnitSystem units)
    {
        if (tree.Mass is { Method: MassMethod.Known, Known: null })
        {
            problems.Add(new("tree.mass.known", "The mass is said to be known: give it with the height of its centre, or reckon it by form."));
        }
        else if (tree.Mass is { Method: MassMethod.Known, Known: { } known } && known.CentreHeightM >= tree.HeightM)
        {
            problems.Add(new("tree.mass.known.centreHeightM", units.Say($"The centre of mass at {known.CentreHeightM:m} would be above the top at {tree.HeightM:m}: lower it.")));
        }

        if (tree.Mass.Method != MassMethod.Sections)
        {
            return;
        }

        var sections = tree.Mass.Sections;
        if (sections.Count < 2)
        {
            problems.Add(new("tree.mass.sections", "Sections take two diameters or more, at different heights: add one, or reckon the mass by form."));
        }

        for (var i = 0; i < sections.Count; i++)
        {
            if (sections[i].HeightM >= tree.HeightM)
            {
                problems.Add(new($"tree.mass.sections[{i}].heightM", units.Say($"This diameter is at {sections[i].HeightM:m}, above the top at {tree.HeightM:m}: lower it.")));
            }
            else if (i > 0 && sections[i].HeightM <= sections[i - 1].HeightM)
            {
                problems.Add(new($"tree.mass.sections[{i}].heightM", units.Say($"This diameter at {sections[i].HeightM:m} is not above the one before it at {sections[i - 1].HeightM:m}: put them in order, from below upward.")));
            }
        }
    }

    private static void CheckSite(Plan plan, List<Problem> problems)
    {
        var ids = new HashSet<string>(StringComparer.Ordinal);
        for (var i = 0; i < plan.Site.Targets.Count; i++)
        {
            var target = plan.Site.Targets[i];
            if (!ids.Add(target.Id))
            {
                problems.Add(new($"site.targets[{i}].id", $"Two targets are called “{target.Id}”: give each its own name."));
            }

            if (Sites.TargetShape.Fault(target) is { } fault)
            {
                problems.Add(new($"site.targets[{i}].points", fault));
            }
        }

        ids.Clear();
        for (var i = 0; i < plan.WalkUp.Count; i++)
        {
            if (string.IsNullOrWhiteSpace(plan.WalkUp[i].Text))
            {
                problems.Add(new($"walkUp[{i}].text", "This point of the walk-up list says nothing: say what to look at, or take it off the list."));
            }

            if (!ids.Add(plan.WalkUp[i].Id))
            {
                problems.Add(new($"walkUp[{i}].id", $"Two points of the list are called “{plan.WalkUp[i].Id}”: give each its own name."));
            }
        }
    }

    private static void CheckCut(Plan plan, List<Problem> problems, UnitSystem units)
    {
        var cut = plan.Cut;
        if (cut.StumpHeightM >= plan.Tree.HeightM / 2)
        {
            problems.Add(new("cut.stumpHeightM", units.Say($"A stump of {cut.StumpHeightM:m} leaves too little of a tree of {plan.Tree.HeightM:m}: lower the cut.")));
        }

        if (cut.HingeThicknessM >= cut.StumpDiameterM)
        {
            problems.Add(new("cut.hingeThicknessM", units.Say($"The hinge is {cut.HingeThicknessM:cm} thick, wider than the stump of {cut.StumpDiameterM:cm}: make it thinner.")));
        }
        else if (cut.Notch.DepthM >= cut.StumpDiameterM)
        {
            problems.Add(new("cut.notch.depthM", units.Say($"A notch {cut.Notch.DepthM:cm} deep cuts right through a stump of {cut.StumpDiameterM:cm}: make it shallower.")));
        }
        else if (cut.Notch.DepthM + cut.HingeThicknessM >= cut.StumpDiameterM)
        {
            problems.Add(new("cut.hingeThicknessM", units.Say($"Notch and hinge together take {cut.Notch.DepthM + cut.HingeThicknessM:cm} of a stump of {cut.StumpDiameterM:cm} and leave no back cut: make the hinge thinner or the notch shallower.")));
        }
    }

    private static void CheckLines(Plan plan, List<Problem> problems, UnitSystem units)
    {
        for (var i = 0; i < plan.Lines.Count; i++)
        {
            var line = plan.Lines[i];
            var path = $"lines[{i}]";
            if (NamedBefore(plan.Lines, i))
            {
                problems.Add(new($"{path}.id", $"Two lines are called “{line.Id}”: give each its own name."));
            }

            if (line.Seat.HeightM >= plan.Tree.HeightM)
            {
                problems.Add(new($"{path}.seat.heightM", units.Say($"The seat is at {line.Seat.HeightM:m}, above the top of the tree at {plan.Tree.HeightM:m}: lower the seat.")));
            }
            else if (line.Seat.HeightM <= plan.Cut.StumpHeightM)
            {
                problems.Add(new($"{path}.seat.heightM", units.Say($"The seat is at {line.Seat.HeightM:m}, not above the cut at {plan.Cut.StumpHeightM:m}: raise the seat.")));
            }

            if (Math.Abs(Angle.Between(plan.Lay.BearingDeg, line.Anchor.BearingDeg)) >= 90)
            {
                problems.Add(new($"{path}.anchor.bearingDeg", $"This anchor stands behind the tree, {Figures.Plain(Math.Abs(Angle.Between(plan.Lay.BearingDeg, line.Anchor.BearingDeg)), 3)}° off the lay, and would pull it back: choose an anchor ahead of the tree or turn the lay."));
            }

            if (!Reference.Knots.ContainsKey(line.KnotId))
            {
                problems.Add(new($"{path}.knotId", $"The knot “{line.KnotId}” is not in the table: choose one that is."));
            }

            CheckTackle(line.Tackle, $"{path}.tackle", problems);
            CheckAnchor(line.Anchor, $"{path}.anchor", problems, units);
        }
    }

    private static void CheckAnchor(AnchorMembers anchor, string path, List<Problem> problems, UnitSystem units)
    {
        Choose(anchor.Tree?.GroundId, "roots", "tree.groundId");
        Choose(anchor.Post?.GroundId, "soil", "post.groundId");
        Choose(anchor.Pickets?.ArrangementId, "pickets", "pickets.arrangementId");
        Choose(anchor.Weight?.GroundId, "grip", "weight.groundId");
        if (anchor.Tree?.SpeciesId is { } species && !Reference.Species.ContainsKey(species))
        {
            problems.Add(new($"{path}.tree.speciesId", $"The species “{species}” is not in the catalogue: choose one that is, or leave it out."));
        }

        if (anchor is { Kind: AnchorKind.Tree, Tree: { } tree } && anchor.HeightM >= tree.HeightM / 2)
        {
            problems.Add(new($"{path}.heightM", units.Say($"A strap at {anchor.HeightM:m} is too high on an anchor tree of {tree.HeightM:m}: put it low, near the foot.")));
        }

        void Choose(string? id, string kind, string member)
        {
            if (id is not null && !(Reference.Anchors.TryGetValue(id, out var figure) && figure.Kind == kind))
            {
                problems.Add(new($"{path}.{member}", $"“{id}” is not in the table: choose one of {string.Join(", ", Reference.Anchors.Values.Where(a => a.Kind == kind).Select(a => a.Id).Order(StringComparer.Ordinal))}."));
            }
        }
    }

    private static bool NamedBefore(IReadOnlyList<LineMembers> lines, int index)
    {
        for (var i = 0; i < index; i++)
        {
            if (lines[i].Id == lines[index].Id)
            {
                return true;
            }
        }

        return false;
    }

    private static void CheckTackle(TackleMembers tackle, string path, List<Problem> problems)
    {
        if (TackleSystems.Find(tackle.SystemId) is null)
        {
            problems.Add(new($"{path}.systemId", $"The tackle “{tackle.SystemId}” is not known: choose one of {string.Join(", ", TackleSystems.All.Select(s => s.Id))}."));
        }

        if (!Reference.Contacts.ContainsKey(tackle.ContactId))
        {
            problems.Add(new($"{path}.contactId", $"“{tackle.ContactId}” is not in the table of turns: choose one that is."));
        }

        if (tackle.JoinKnotId is { } join && !(Reference.Knots.TryGetValue(join, out var knot) && knot.Midline))
        {
            problems.Add(new($"{path}.joinKnotId", $"“{join}” cannot take a tackle in the middle of a line: choose a midline loop such as a butterfly."));
        }

        if (tackle.Rope is { } rope && !Reference.Knots.ContainsKey(rope.EndKnotId))
        {
            problems.Add(new($"{path}.rope.endKnotId", $"The knot “{rope.EndKnotId}” is not in the table: choose one that is."));
        }
    }

    private static void CheckGuesses(Plan plan, List<Problem> problems)
    {
        for (var i = 0; i < plan.Guesses.Count; i++)
        {
            if (!PlanPaths.IsMember(plan.Guesses[i]))
            {
                problems.Add(new($"guesses[{i}]", $"“{plan.Guesses[i]}” is not a member of a plan: give a path such as tree.crown.massRatio."));
            }
        }
    }

    /// <summary>Whether every member of another document lies in its range.</summary>
    public static List<Problem> CheckRangesOf(Species species, UnitSystem units)
    {
        var problems = new List<Problem>();
        CheckRanges(species, "", units, problems);
        return problems;
    }

    private static void CheckRanges(object document, string path, UnitSystem units, List<Problem> problems)
    {
        foreach (var member in Members[document.GetType()])
        {
            if (member.Number is { } number)
            {
                if (member.Fault(number(document), units) is { } outside)
                {
                    problems.Add(new(Join(path, member.Name), outside));
                }

                continue;
            }

            if (member.IsPlain || member.Property.GetValue(document) is not { } value)
            {
                continue;
            }

            // Paths are only written out where they are needed: most members are plain and right.
            if (member.Fault(value, units) is { } fault)
            {
                problems.Add(new(Join(path, member.Name), fault));
            }

            if (member.IsGroup)
            {
                CheckRanges(value, Join(path, member.Name), units, problems);
            }
            else if (member.GroupType is not null)
            {
                var list = (IReadOnlyList<object>)value;
                for (var i = 0; i < list.Count; i++)
                {
                    CheckRanges(list[i], $"{Join(path, member.Name)}[{i}]", units, problems);
                }
            }
        }
    }

    private static string Join(string path, string name) => path.Length == 0 ? name : $"{path}.{name}";

    private static FrozenDictionary<Type, ImmutableArray<Member>> FindMembers(Type[] roots)
    {
        var found = new Dictionary<Type, ImmutableArray<Member>>();
        var waiting = new Queue<Type>(roots);
        while (waiting.TryDequeue(out var type))
        {
            var members = type.GetProperties(BindingFlags.Public | BindingFlags.Instance).Where(p => p.CanWrite).Select(p => new Member(p)).ToImmutableArray();
            found[type] = members;
            foreach (var next in members.Select(m => m.GroupType).OfType<Type>().Where(t => !found.ContainsKey(t)))
            {
                waiting.Enqueue(next);
            }
        }

        return found.ToFrozenDictionary();
    }

    private sealed class Member
    {
        private readonly RangeAttribute? range;
        private readonly double low;
        private readonly double high;
        private readonly RegularExpressionAttribute? pattern;
        private readonly int? mostItems;
        private readonly int? fewestItems;
        private readonly string label;

        public Member(PropertyInfo property)
        {
            Property = property;
            Name = JsonNamingPolicy.CamelCase.ConvertName(property.Name);
            label = property.GetCustomAttribute<DisplayAttribute>()?.Name ?? Name;
            range = property.GetCustomAttribute<RangeAttribute>();
            low = range is null ? double.NegativeInfinity : Convert.ToDouble(range.Minimum);
            high = range is null ? double.PositiveInfinity : Convert.ToDouble(range.Maximum);
            pattern = property.GetCustomAttribute<RegularExpressionAttribute>();
            mostItems = property.GetCustomAttribute<MaxLengthAttribute>()?.Length;
            fewestItems = property.GetCustomAttribute<MinLengthAttribute>()?.Length;
            if (property.PropertyType == typeof(double) && range is not null)
            {
                Number = typeof(Member).GetMethod(nameof(NumberOf), BindingFlags.NonPublic | BindingFlags.Static)!
                    .MakeGenericMethod(property.DeclaringType!).Invoke(null, [property.GetMethod!]) as Func<object, double>;
            }

            IsGroup = IsMembers(property.PropertyType);
            GroupType = IsGroup ? property.PropertyType
                : property.PropertyType is { IsGenericType: true } list && IsMembers(list.GetGenericArguments()[0]) ? list.GetGenericArguments()[0] : null;
        }

        /// <summary>Reads a number that is always there, without boxing it: a plan has a hundred of them, checked at every drag.</summary>
        public Func<object, double>? Number { get; }

        /// <summary>Whether nothing about it can be out of range.</summary>
        public bool IsPlain => GroupType is null && range is null && pattern is null && mostItems is null && fewestItems is null;

        private static Func<object, double> NumberOf<T>(MethodInfo getter)
            where T : class
        {
            var read = getter.CreateDelegate<Func<T, double>>();
            return document => read((T)document);
        }

        private static bool IsMembers(Type type) => type is { IsClass: true, Namespace: "Draklo.Core.Plans" };

        public PropertyInfo Property { get; }

        public string Name { get; }

        public bool IsGroup { get; }

        /// <summary>The record that stands here, once or in a list; null for a plain value.</summary>
        public Type? GroupType { get; }

        public string? Fault(double number, UnitSystem units) =>
            double.IsFinite(number) && number >= low && number <= high ? null
                : $"{label} must lie between {Written(low, units)} and {Written(high, units)}; it says {Written(number, units)}.";

        public string? Fault(object value, UnitSystem units)
        {
            switch (value)
            {
                case double or int when range is not null:
                    return Fault(Convert.ToDouble(value), units);
                case string text when mostItems is { } most && text.Length > most:
                    return $"{label} is longer than {most} letters: shorten it.";
                case string text when pattern is not null && !pattern.IsValid(text):
                    return $"{label} takes small letters, digits and hyphens only, 32 at most.";
                case IReadOnlyCollection<object> list when mostItems is { } most && list.Count > most:
                    return $"{label}: {most} at most, not {list.Count}.";
                case IReadOnlyCollection<object> list when fewestItems is { } fewest && list.Count < fewest:
                    return $"{label}: at least {fewest} is needed.";
                default:
                    return null;
            }
        }

        private string Written(double value, UnitSystem units)
        {
            var unit = UnitOf(Name);
            return unit is "MPa" or "GPa" ? Figures.With(value * (unit == "MPa" ? 1e6 : 1e9), unit, units) : Figures.With(value, unit, units);
        }
    }

    /// <summary>The unit that a member's name ends in, as <see cref="Figures"/> writes it; "x" for a plain number.</summary>
    private static string UnitOf(string name) => name switch
    {
        _ when name.EndsWith("KgM3", StringComparison.Ordinal) => "kg/m3",
        _ when name.EndsWith("MPa", StringComparison.Ordinal) => "MPa",
        _ when name.EndsWith("GPa", StringComparison.Ordinal) => "GPa",
        _ when name.EndsWith("Mps", StringComparison.Ordinal) => "m/s",
        _ when name.EndsWith("Deg", StringComparison.Ordinal) => "deg",
        "hingeThicknessM" or "stumpDiameterM" or "depthM" or "dbhM" or "sheaveDiameterM" => "cm",
        "diameterM" => "mm",
        "north" or "east" or "south" or "west" => "m",
        _ when name.EndsWith('M') => "m",
        _ when name.EndsWith('N') => "N",
        _ => "x",
    };
}
