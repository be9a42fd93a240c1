using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Reflection;
using Draklo.Core.Units;

namespace Draklo.Core.Reading;

/// <summary>All that is said of one member, from the attributes that stand at it.</summary>
public sealed record MemberFacts
{
    /// <summary>What it is called on the screen, in refusals, merges and the schema; null where it has no name of its own.</summary>
    public required string? Label { get; init; }

    /// <summary>What its number measures, as in units.json; null where it is no number.</summary>
    public required string? Quantity { get; init; }

    /// <summary>How far one press of a key moves it, in the unit of the screen; null for the quantity's usual step.</summary>
    public double? Step { get; init; }

    /// <summary>The range of its number, in the document's own unit, inclusive; null where any number will do.</summary>
    public (double Low, double High)? Range { get; init; }

    /// <summary>Whether somebody on site can measure it.</summary>
    public bool CanBeMeasured { get; init; }

    /// <summary>What its empty field says; null where it must be given.</summary>
    public string? Empty { get; init; }

    /// <summary>The station that decides it; null where the part it lies in says so.</summary>
    public string? Station { get; init; }

    /// <summary>The type of the part that lies in it, or in each item of its list; null where it holds none.</summary>
    public required Type? Part { get; init; }

    /// <summary>The unit of its number as <see cref="Figures"/> writes it, and what one of the document's own is in SI.</summary>
    public static (string Unit, double Si) UnitOf(string quantity) =>
        quantity switch
        {
            // Strengths stand in the document in megapascals, stiffness in gigapascals.
            "strength" => ("MPa", 1e6),
            "stiffness" => ("GPa", 1e9),
            "degrees" => ("deg", 1),
            "count" => ("x", 1),
            _ => (UnitPair.CodeOf(quantity), 1),
        };

    /// <summary>What stands at a member.</summary>
    public static MemberFacts Of(PropertyInfo member)
    {
        var measure = member.GetCustomAttribute<MeasureAttribute>();
        var range = member.GetCustomAttribute<RangeAttribute>();
        var held = RecordMembers.ElementOf(member.PropertyType) ?? member.PropertyType;
        held = Nullable.GetUnderlyingType(held) ?? held;
        return new()
        {
            Label = member.GetCustomAttribute<DisplayAttribute>()?.Name,
            Quantity = measure?.Quantity ?? (IsNumber(held) ? Usual(member.Name) : null),
            Step = measure?.Step is > 0 and var step ? step : null,
            CanBeMeasured = measure?.CanBeMeasured ?? false,
            Empty = measure?.Empty,
            Range = range is null ? null : (Bound(range.Minimum), Bound(range.Maximum)),
            Station = member.GetCustomAttribute<StationAttribute>()?.Key,
            Part = typeof(IDocumentPart).IsAssignableFrom(held) ? held : null,
        };
    }

    /// <summary>What a number without a word measures, by how its name ends.</summary>
    public static string Usual(string name)
    {
        bool Ends(string end) => name.EndsWith(end, StringComparison.Ordinal);
        return name switch
        {
            _ when Ends("KgM3") => "density",
            _ when Ends("MPa") => "strength",
            _ when Ends("GPa") => "stiffness",
            _ when Ends("Mps") => "speed",
            _ when Ends("Deg") => "angle",
            _ when Ends("Kg") => "mass",
            "DiameterM" or "CordDiameterM" => "rope",
            _ when Ends("DiameterM") || Ends("ThicknessM") => "thickness",
            _ when Ends("M") => "length",
            _ when Ends("N") => "force",
            _ => "ratio",
        };
    }

    private static bool IsNumber(Type type) => type == typeof(double) || type == typeof(int);

    private static double Bound(object bound) => Convert.ToDouble(bound, CultureInfo.InvariantCulture);
}
