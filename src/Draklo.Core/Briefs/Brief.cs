using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>One of the big figures of the page.</summary>
public sealed record BriefFigure(string Id, string Name, string Text);

/// <summary>A sign, what it means and who gives it.</summary>
/// <param name="By">Empty: anybody.</param>
public sealed record BriefSignal(string Sign, string Means, string By);

/// <summary>Somebody on the page.</summary>
/// <param name="Letter">On the drawing: F, H, L, W and so on; a second of the same role has a 2.</param>
/// <param name="Stands">Where, in words.</param>
public sealed record BriefPerson(
    string Name,
    JobRole Role,
    string Letter,
    Place Place,
    string Stands,
    bool CanClimb,
    bool FirstAid
);

/// <summary>What is still guessed, or was accepted by name.</summary>
/// <param name="By">Who answers for it; empty while nobody does.</param>
/// <param name="Because">Empty while nobody does.</param>
/// <param name="Path">The member that is guessed; null for a check.</param>
public sealed record BriefDoubt(string Text, string By, string At, string Because, string? Path = null);

/// <summary>A card for one role: where to stand, what to watch, when to shout.</summary>
/// <param name="Order">The steps of the day in their order, in one line.</param>
public sealed record RoleCard(
    JobRole Role,
    IReadOnlyList<string> Names,
    IReadOnlyList<string> Stand,
    IReadOnlyList<string> Watch,
    IReadOnlyList<string> Shout,
    string Order
);

/// <summary>The page that everybody on site works by: all its words, made from the plan.</summary>
/// <remarks>
/// Sentences and figures are in the reader's units; <see cref="Covered"/> and the fingerprint do not depend on them.
/// </remarks>
public sealed record Brief
{
    /// <summary>What the plan says, as everywhere: "Check. The anchor is not given: …".</summary>
    public required string Verdict { get; init; }

    public required VerdictState State { get; init; }

    /// <summary>The tree in one line.</summary>
    public required string Tree { get; init; }

    /// <summary>The lay and its mark.</summary>
    public required string Lay { get; init; }

    public required IReadOnlyList<BriefFigure> Figures { get; init; }

    public required IReadOnlyList<BriefPerson> People { get; init; }

    public required IReadOnlyList<BriefSignal> Signals { get; init; }

    public required IReadOnlyList<CutStep> Cuts { get; init; }

    public required IReadOnlyList<string> Stops { get; init; }

    /// <summary>Stops and checks that nobody has accepted.</summary>
    public required IReadOnlyList<Reason> OpenChecks { get; init; }

    /// <summary>Figures that nobody has measured.</summary>
    public required IReadOnlyList<BriefDoubt> Guesses { get; init; }

    /// <summary>Checks that somebody took on, each with its because.</summary>
    public required IReadOnlyList<BriefDoubt> Accepted { get; init; }

    public required IReadOnlyList<RoleCard> Cards { get; init; }

    public required IReadOnlyList<PackedPiece> Gear { get; init; }

    /// <summary>What to do if it goes wrong, line by line.</summary>
    public required IReadOnlyList<string> Help { get; init; }

    /// <summary>What of that nobody has said yet.</summary>
    public required IReadOnlyList<string> HelpMissing { get; init; }

    /// <summary>The usual cautions.</summary>
    public required string Caution { get; init; }

    public required IReadOnlyList<Covered> Covered { get; init; }

    /// <summary>Of all that is covered.</summary>
    public required string Fingerprint { get; init; }

    /// <summary>The clearing, where the plan has one.</summary>
    public ClearingBrief? Clearing { get; init; }

    /// <param name="analysis">Of the same plan, in the same units, with the verdict that the job has.</param>
    /// <param name="cleared">Of its clearing; null where it has none, or none that can be worked out.</param>
    /// <param name="locker">Pieces of the locker by id.</param>
    public static Brief Of(
        Plan plan,
        Analysis analysis,
        ClearingAnalysis? cleared,
        IReadOnlyDictionary<string, GearItem> locker,
        UnitSystem units
    )
    {
        var gear = Packing.Of(plan, locker, units);
        var said = plan.Signals.Count > 0 ? plan.Signals : new Starts().Signals;
        var signals = said.Select(s => new BriefSignal(s.Sign, s.Means, s.By ?? "")).ToList();
        var people = PeopleOf(plan, analysis, units);
        var words = new BriefWords(plan, analysis, units);
        (ClearingBrief? clearing, WayResult? way) =
            plan.Clearing is { } asked && cleared is not null ? ClearingBrief.Of(asked, cleared, units) : (null, null);
        if (plan.Clearing is { Alone: true } alone && clearing is not null && way is not null)
        {
            var under = CoveredBy.Of(plan, clearing.Signals, gear, locker, []);
            return OfClearing(
                plan,
                clearing,
                analysis.Verdict,
                people,
                gear,
                [.. under, .. ClearingBrief.CoveredOf(alone, way)]
            );
        }

        List<Covered> covered =
        [
            .. CoveredBy.Of(plan, signals, gear, locker, analysis.Verdict.Reasons),
            .. CoveredBy.OfPull(plan, analysis),
        ];
        if (plan.Clearing is { } members && way is not null)
        {
            covered.AddRange(ClearingBrief.CoveredOf(members, way));
        }

        return new()
        {
            Verdict = analysis.Verdict.Summary,
            State = analysis.Verdict.State,
            Tree = words.Tree(),
            Lay = words.Lay(),
            Figures = words.Figures(),
            People = people,
            Signals = signals,
            Cuts = CutOrder.Of(plan, analysis, words, units),
            Stops = words.Stops(),
            OpenChecks = [.. analysis.Verdict.Reasons.Where(r => r.State != VerdictState.Ready)],
            Guesses = BriefDoubts.Guesses(plan),
            Accepted = [.. analysis.Verdict.Accepted.Select(a => new BriefDoubt(a.Reason.Text, a.By, a.At, a.Because))],
            Cards = RoleCards.Of(plan, people, words),
            Gear = gear,
            Help = HelpOf(plan),
            HelpMissing = MissingOf(plan.Help),
            Caution = analysis.Verdict.Caution,
            Covered = covered,
            Fingerprint = Briefs.Covered.Fingerprint(covered),
            Clearing = clearing,
        };
    }

    /// <summary>A page on which nothing is pulled: no lay, no cuts, the clearing's own words in their place.</summary>
    private static Brief OfClearing(
        Plan plan,
        ClearingBrief clearing,
        Verdicts.Verdict verdict,
        List<BriefPerson> people,
        IReadOnlyList<PackedPiece> gear,
        List<Covered> covered
    ) =>
        new()
        {
            Verdict = verdict.Summary,
            State = verdict.State,
            Tree = "",
            Lay = clearing.Pieces,
            Figures = [],
            People = people,
            Signals = clearing.Signals,
            Cuts = [],
            Stops = clearing.Stops,
            OpenChecks = [.. verdict.Reasons.Where(r => r.State != VerdictState.Ready)],
            Guesses =
            [
                .. BriefDoubts
                    .Guesses(plan)
                    .Where(g => g.Path?.StartsWith("clearing", StringComparison.Ordinal) == true),
            ],
            Accepted = [.. verdict.Accepted.Select(a => new BriefDoubt(a.Reason.Text, a.By, a.At, a.Because))],
            Cards = [],
            Gear = gear,
            Help = HelpOf(plan),
            HelpMissing = MissingOf(plan.Help),
            Caution = verdict.Caution,
            Covered = covered,
            Fingerprint = Briefs.Covered.Fingerprint(covered),
            Clearing = clearing,
        };

    private static List<BriefPerson> PeopleOf(Plan plan, Analysis analysis, UnitSystem units)
    {
        var people = new List<BriefPerson>();
        foreach (var person in analysis.Site.People)
        {
            var member = plan.Crew[person.Index];
            people.Add(
                new(
                    person.Name,
                    person.Role,
                    person.Letter,
                    person.Place,
                    units.Say($"{person.DistanceM:m} out at {person.Place.BearingDeg:deg}"),
                    member.CanClimb,
                    member.FirstAid
                )
            );
        }

        return people;
    }

    private static List<string> HelpOf(Plan plan)
    {
        var help = plan.Help;
        var lines = new List<string>();
        Add(help.MeetAt, "Meet at {0}.");
        Add(help.NearestRoad, "Nearest road: {0}.");
        Add(
            help.Caller,
            string.IsNullOrWhiteSpace(help.Number) ? "{0} calls for help." : "{0} calls for help: " + help.Number + "."
        );
        Add(help.KitAt, "First aid kit: {0}.");
        AddNames("First aid: {0}.", plan.Crew.Where(c => c.FirstAid));
        AddNames("Can climb: {0}.", plan.Crew.Where(c => c.CanClimb));
        return lines;

        void Add(string? value, string sentence)
        {
            if (!string.IsNullOrWhiteSpace(value))
            {
                lines.Add(string.Format(null, sentence, value.Trim().TrimEnd('.')));
            }
        }

        void AddNames(string sentence, IEnumerable<CrewMembers> who) =>
            Add(string.Join(", ", who.Select(c => c.Name)), sentence);
    }

    private static List<string> MissingOf(HelpMembers help)
    {
        (string? Value, string What)[] all =
        [
            (help.MeetAt, "the meeting point"),
            (help.NearestRoad, "the nearest road"),
            (help.Caller, "who calls for help"),
            (help.KitAt, "where the first aid kit is"),
        ];
        return [.. all.Where(a => string.IsNullOrWhiteSpace(a.Value)).Select(a => a.What)];
    }
}
