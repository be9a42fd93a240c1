using System.ComponentModel.DataAnnotations;
using System.Reflection;
using System.Text.Json;
using System.Text.RegularExpressions;
using Draklo.Core.Units;

namespace Draklo.Core.Reading;

/// <summary>A member of a document that can be out of its range.</summary>
/// <remarks>
/// Members are read through typed delegates and never boxed: a plan has hundreds of them, checked at every drag.
/// </remarks>
internal abstract class RangedMember(RuledProperty member)
{
    protected string Name { get; } = JsonNamingPolicy.CamelCase.ConvertName(member.Property.Name);

    /// <summary>What the crew calls it; looked up only once something is wrong.</summary>
    protected string Label => member.Property.GetCustomAttribute<DisplayAttribute>()?.Name ?? Name;

    public abstract void Check(object document, UnitSystem units, List<Problem> problems);

    /// <summary>Every member of a record that can be out of its range.</summary>
    public static RangedMember[] Of(Type record) =>
        [
            .. record
                .GetProperties(BindingFlags.Public | BindingFlags.Instance)
                .Where(p => p.CanWrite)
                .Select(For)
                .OfType<RangedMember>(),
        ];

    private static RangedMember? For(PropertyInfo property)
    {
        var type = property.PropertyType;
        var member = new RuledProperty(property, [.. property.GetCustomAttributes<ValidationAttribute>()]);
        var ranged = member.Rule<RangeAttribute>() is not null;
        var limited = member.Rules.Any(r =>
            r is MaxLengthAttribute or MinLengthAttribute or RegularExpressionAttribute
        );
        var item = type is { IsGenericType: true, Name: "IReadOnlyList`1" } ? type.GetGenericArguments()[0] : null;
        Type[] of = item is null ? [property.DeclaringType!] : [property.DeclaringType!, item];
        var kind =
            type == typeof(double) && ranged ? typeof(NumberMember<>)
            : type == typeof(double?) && ranged ? typeof(OptionalNumberMember<>)
            : type == typeof(int) && ranged ? typeof(WholeNumberMember<>)
            : type == typeof(int?) && ranged ? typeof(OptionalWholeNumberMember<>)
            : type == typeof(string) && limited ? typeof(TextMember<>)
            : type.IsAssignableTo(typeof(IDocumentPart)) ? typeof(GroupMember<>)
            : item?.IsAssignableTo(typeof(IDocumentPart)) == true ? typeof(GroupListMember<,>)
            : item is not null && limited ? typeof(ListMember<,>)
            : null;
        return kind is null ? null : (RangedMember)Activator.CreateInstance(kind.MakeGenericType(of), member)!;
    }
}

/// <summary>A property with the rules that stand at it: looking them up takes long, so it is done once.</summary>
internal sealed record RuledProperty(PropertyInfo Property, ValidationAttribute[] Rules)
{
    public TRule? Rule<TRule>()
        where TRule : ValidationAttribute => Rules.OfType<TRule>().FirstOrDefault();

    public Func<T, TValue> Reader<T, TValue>() => Property.GetMethod!.CreateDelegate<Func<T, TValue>>();
}

/// <summary>The range of a number and how a sentence writes it.</summary>
internal abstract class NumericMember : RangedMember
{
    private readonly double low;
    private readonly double high;

    private protected NumericMember(RuledProperty member)
        : base(member)
    {
        var range = member.Rule<RangeAttribute>()!;
        (low, high) = (Convert.ToDouble(range.Minimum), Convert.ToDouble(range.Maximum));
    }

    private protected void Check(double number, UnitSystem units, List<Problem> problems)
    {
        if (!(double.IsFinite(number) && number >= low && number <= high))
        {
            problems.Add(
                new(
                    Name,
                    $"{Label} must lie between {Written(low, units)} and {Written(high, units)}; it says {Written(number, units)}."
                )
            );
        }
    }

    private string Written(double value, UnitSystem units)
    {
        var unit = MemberUnits.Of(Name);
        return Figures.With(value * MemberUnits.SiOf(unit), unit, units);
    }
}

internal sealed class NumberMember<T>(RuledProperty member) : NumericMember(member)
{
    private readonly Func<T, double> read = member.Reader<T, double>();

    public override void Check(object document, UnitSystem units, List<Problem> problems) =>
        Check(read((T)document), units, problems);
}

internal sealed class OptionalNumberMember<T>(RuledProperty member) : NumericMember(member)
{
    private readonly Func<T, double?> read = member.Reader<T, double?>();

    public override void Check(object document, UnitSystem units, List<Problem> problems)
    {
        if (read((T)document) is { } number)
        {
            Check(number, units, problems);
        }
    }
}

internal sealed class OptionalWholeNumberMember<T>(RuledProperty member) : NumericMember(member)
{
    private readonly Func<T, int?> read = member.Reader<T, int?>();

    public override void Check(object document, UnitSystem units, List<Problem> problems)
    {
        if (read((T)document) is { } number)
        {
            Check(number, units, problems);
        }
    }
}

internal sealed class WholeNumberMember<T>(RuledProperty member) : NumericMember(member)
{
    private readonly Func<T, int> read = member.Reader<T, int>();

    public override void Check(object document, UnitSystem units, List<Problem> problems) =>
        Check(read((T)document), units, problems);
}

internal sealed class TextMember<T>(RuledProperty member) : RangedMember(member)
{
    private readonly Func<T, string?> read = member.Reader<T, string?>();
    private readonly int? longest = member.Rule<MaxLengthAttribute>()?.Length;
    private readonly Func<string, bool> fits = Rule(member.Rule<RegularExpressionAttribute>()?.Pattern);

    public override void Check(object document, UnitSystem units, List<Problem> problems)
    {
        if (read((T)document) is not { } text)
        {
            return;
        }

        if (text.Length > longest)
        {
            problems.Add(new(Name, $"{Label} is longer than {longest} letters: shorten it."));
        }
        else if (!fits(text))
        {
            problems.Add(new(Name, $"{Label} takes small letters, digits and hyphens only, 32 at most."));
        }
    }

    private static Func<string, bool> Rule(string? pattern)
    {
        if (pattern is null)
        {
            return static _ => true;
        }

        if (pattern == Ids.Pattern)
        {
            return Ids.Is;
        }

        var regex = new Regex(pattern, RegexOptions.Compiled | RegexOptions.CultureInvariant, TimeSpan.FromSeconds(1));
        return text => IsOneMatch(regex, text);
    }

    /// <summary>The whole text is one match: "$" alone lets a line break stand behind it.</summary>
    private static bool IsOneMatch(Regex pattern, string text)
    {
        foreach (var match in pattern.EnumerateMatches(text))
        {
            return match.Index == 0 && match.Length == text.Length;
        }

        return false;
    }
}

internal sealed class GroupMember<T>(RuledProperty member) : RangedMember(member)
{
    private readonly Func<T, IDocumentPart?> read = member.Reader<T, IDocumentPart?>();

    public override void Check(object document, UnitSystem units, List<Problem> problems)
    {
        if (read((T)document) is { } group)
        {
            MemberRanges.CheckWithin(group, Name, null, units, problems);
        }
    }
}

internal class ListMember<T, TItem>(RuledProperty member) : RangedMember(member)
{
    private readonly Func<T, IReadOnlyList<TItem>?> read = member.Reader<T, IReadOnlyList<TItem>?>();
    private readonly int? most = member.Rule<MaxLengthAttribute>()?.Length;
    private readonly int? fewest = member.Rule<MinLengthAttribute>()?.Length;

    public override void Check(object document, UnitSystem units, List<Problem> problems)
    {
        if (read((T)document) is not { } list)
        {
            return;
        }

        if (list.Count > most)
        {
            problems.Add(new(Name, $"{Label}: {most} at most, not {list.Count}."));
        }
        else if (list.Count < fewest)
        {
            problems.Add(new(Name, $"{Label}: at least {fewest} is needed."));
        }

        for (var i = 0; i < list.Count; i++)
        {
            CheckItem(list[i], i, units, problems);
        }
    }

    private protected virtual void CheckItem(TItem item, int index, UnitSystem units, List<Problem> problems) { }
}

internal sealed class GroupListMember<T, TItem>(RuledProperty member) : ListMember<T, TItem>(member)
    where TItem : IDocumentPart
{
    private protected override void CheckItem(TItem item, int index, UnitSystem units, List<Problem> problems) =>
        MemberRanges.CheckWithin(item, Name, index, units, problems);
}
