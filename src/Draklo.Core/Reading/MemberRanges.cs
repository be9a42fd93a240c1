using System.Collections.Concurrent;
using System.ComponentModel.DataAnnotations;
using System.Reflection;
using System.Text.Json;
using Draklo.Core.Units;

namespace Draklo.Core.Reading;

/// <summary>Whether the members of a document lie within what their attributes allow.</summary>
/// <remarks>The same attributes make the JSON Schema and the API description.</remarks>
public static class MemberRanges
{
    private static readonly ConcurrentDictionary<Type, Member[]> Members = new();

    /// <summary>Adds a problem for every member out of its range.</summary>
    /// <param name="document">Its groups and lists are checked too.</param>
    public static void Check(IDocumentPart document, UnitSystem units, List<Problem> problems)
    {
        foreach (var member in MembersOf(document.GetType()))
        {
            if (member.Number is { } number)
            {
                if (member.Fault(number(document), units) is { } outside)
                {
                    problems.Add(new(member.Name, outside));
                }

                continue;
            }

            if (member.IsPlain || member.Property.GetValue(document) is not { } value)
            {
                continue;
            }

            if (member.Fault(value, units) is { } fault)
            {
                problems.Add(new(member.Name, fault));
            }

            if (member.IsGroup)
            {
                CheckWithin((IDocumentPart)value, member.Name, null, units, problems);
            }
            else if (member.GroupType is not null)
            {
                var list = (IReadOnlyList<IDocumentPart>)value;
                for (var i = 0; i < list.Count; i++)
                {
                    CheckWithin(list[i], member.Name, i, units, problems);
                }
            }
        }
    }

    /// <summary>
    /// Checks a group. Where it stands is written before the paths of its problems only when there are any: most groups
    /// are right, and they are checked at every drag.
    /// </summary>
    private static void CheckWithin(
        IDocumentPart group,
        string name,
        int? index,
        UnitSystem units,
        List<Problem> problems
    )
    {
        var before = problems.Count;
        Check(group, units, problems);
        for (var i = before; i < problems.Count; i++)
        {
            problems[i] = problems[i] with
            {
                Path = index is { } number ? $"{name}[{number}].{problems[i].Path}" : $"{name}.{problems[i].Path}",
            };
        }
    }

    private static Member[] MembersOf(Type type) =>
        Members.GetOrAdd(
            type,
            static t =>
                [
                    .. t.GetProperties(BindingFlags.Public | BindingFlags.Instance)
                        .Where(p => p.CanWrite)
                        .Select(p => new Member(p)),
                ]
        );

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
                Number =
                    typeof(Member)
                        .GetMethod(nameof(NumberOf), BindingFlags.NonPublic | BindingFlags.Static)!
                        .MakeGenericMethod(property.DeclaringType!)
                        .Invoke(null, [property.GetMethod!]) as Func<object, double>;
            }

            IsGroup = IsMembers(property.PropertyType);
            GroupType =
                IsGroup ? property.PropertyType
                : property.PropertyType is { IsGenericType: true } list && IsMembers(list.GetGenericArguments()[0])
                    ? list.GetGenericArguments()[0]
                : null;
        }

        /// <summary>
        /// Reads a number that is always there, without boxing it: a plan has a hundred of them, checked at every drag.
        /// </summary>
        public Func<object, double>? Number { get; }

        /// <summary>Whether nothing about it can be out of range.</summary>
        public bool IsPlain =>
            GroupType is null && range is null && pattern is null && mostItems is null && fewestItems is null;

        private static Func<object, double> NumberOf<T>(MethodInfo getter)
            where T : class
        {
            var read = getter.CreateDelegate<Func<T, double>>();
            return document => read((T)document);
        }

        private static bool IsMembers(Type type) => type.IsAssignableTo(typeof(IDocumentPart));

        public PropertyInfo Property { get; }

        public string Name { get; }

        public bool IsGroup { get; }

        /// <summary>The record that stands here, once or in a list; null for a plain value.</summary>
        public Type? GroupType { get; }

        public string? Fault(double number, UnitSystem units) =>
            double.IsFinite(number) && number >= low && number <= high
                ? null
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
            return unit is "MPa" or "GPa"
                ? Figures.With(value * (unit == "MPa" ? 1e6 : 1e9), unit, units)
                : Figures.With(value, unit, units);
        }
    }

    /// <summary>
    /// The unit that a member's name ends in, as <see cref="Figures"/> writes it; "x" for a plain number.
    /// </summary>
    private static string UnitOf(string name) =>
        name switch
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
