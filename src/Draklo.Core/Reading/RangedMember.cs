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
internal abstract class RangedMember
{
    private protected RangedMember(PropertyInfo property)
    {
        Name = JsonNamingPolicy.CamelCase.ConvertName(property.Name);
        Label = property.GetCustomAttribute<DisplayAttribute>()?.Name ?? Name;
    }

    protected string Name { get; }

    /// <summary>What the crew calls it.</summary>
    protected string Label { get; }

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
        var ranged = property.GetCustomAttribute<RangeAttribute>() is not null;
        var limited =
            property.GetCustomAttribute<MaxLengthAttribute>() is not null
            || property.GetCustomAttribute<MinLengthAttribute>() is not null
            || property.GetCustomAttribute<RegularExpressionAttribute>() is not null;
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
        return kind is null ? null : (RangedMember)Activator.CreateInstance(kind.MakeGenericType(of), property)!;
    }

    private protected static Func<T, TValue> Reader<T, TValue>(PropertyInfo property) =>
        property.GetMethod!.CreateDelegate<Func<T, TValue>>();
}

/// <summary>The range of a number and how a sentence writes it.</summary>
internal abstract class NumericMember : RangedMember
{
    private readonly double low;
    private readonly double high;

    private protected NumericMember(PropertyInfo property)
        : base(property)
    {
        var range = property.GetCustomAttribute<RangeAttribute>()!;
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

internal sealed class NumberMember<T>(PropertyInfo property) : NumericMember(property)
{
    private readonly Func<T, double> read = Reader<T, double>(property);

    public override void Check(object document, UnitSystem units, List<Problem> problems) =>
        Check(read((T)document), units, problems);
}

internal sealed class OptionalNumberMember<T>(PropertyInfo property) : NumericMember(property)
{
    private readonly Func<T, double?> read = Reader<T, double?>(property);

    public override void Check(object document, UnitSystem units, List<Problem> problems)
    {
        if (read((T)document) is { } number)
        {
            Check(number, units, problems);
        }
    }
}

internal sealed class OptionalWholeNumberMember<T>(PropertyInfo property) : NumericMember(property)
{
    private readonly Func<T, int?> read = Reader<T, int?>(property);

    public override void Check(object document, UnitSystem units, List<Problem> problems)
    {
        if (read((T)document) is { } number)
        {
            Check(number, units, problems);
        }
    }
}

internal sealed class WholeNumberMember<T>(PropertyInfo property) : NumericMember(property)
{
    private readonly Func<T, int> read = Reader<T, int>(property);

    public override void Check(object document, UnitSystem units, List<Problem> problems) =>
        Check(read((T)document), units, problems);
}

internal sealed class TextMember<T>(PropertyInfo property) : RangedMember(property)
{
    private readonly Func<T, string?> read = Reader<T, string?>(property);
    private readonly int? longest = property.GetCustomAttribute<MaxLengthAttribute>()?.Length;
    private readonly Regex? pattern = property.GetCustomAttribute<RegularExpressionAttribute>() is { } rule
        ? new(rule.Pattern, RegexOptions.Compiled | RegexOptions.CultureInvariant, TimeSpan.FromSeconds(1))
        : null;

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
        else if (!Fits(text))
        {
            problems.Add(new(Name, $"{Label} takes small letters, digits and hyphens only, 32 at most."));
        }
    }

    /// <summary>The whole text is one match: "$" alone lets a line break stand behind it.</summary>
    private bool Fits(string text)
    {
        if (pattern is null)
        {
            return true;
        }

        foreach (var match in pattern.EnumerateMatches(text))
        {
            return match.Index == 0 && match.Length == text.Length;
        }

        return false;
    }
}

internal sealed class GroupMember<T>(PropertyInfo property) : RangedMember(property)
{
    private readonly Func<T, IDocumentPart?> read = Reader<T, IDocumentPart?>(property);

    public override void Check(object document, UnitSystem units, List<Problem> problems)
    {
        if (read((T)document) is { } group)
        {
            MemberRanges.CheckWithin(group, Name, null, units, problems);
        }
    }
}

internal class ListMember<T, TItem>(PropertyInfo property) : RangedMember(property)
{
    private readonly Func<T, IReadOnlyList<TItem>?> read = Reader<T, IReadOnlyList<TItem>?>(property);
    private readonly int? most = property.GetCustomAttribute<MaxLengthAttribute>()?.Length;
    private readonly int? fewest = property.GetCustomAttribute<MinLengthAttribute>()?.Length;

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

internal sealed class GroupListMember<T, TItem>(PropertyInfo property) : ListMember<T, TItem>(property)
    where TItem : IDocumentPart
{
    private protected override void CheckItem(TItem item, int index, UnitSystem units, List<Problem> problems) =>
        MemberRanges.CheckWithin(item, Name, index, units, problems);
}
