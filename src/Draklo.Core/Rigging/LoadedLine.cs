using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Rigging;

/// <summary>A load on a line between two ends.</summary>
public sealed record LoadedLineAsk : IDocumentPart
{
    [Display(Name = "Load", Description = "With its carriage, newtons.")]
    [Range(1, 500_000)]
    public required double WeightN { get; init; }

    [Display(Name = "Span", Description = "Level, between the ends, metres.")]
    [Range(1, 1000)]
    public required double SpanM { get; init; }

    [Display(Name = "Drop", Description = "How much lower the right end is, metres; less than 0, higher.")]
    [Range(-500, 500)]
    public double DropM { get; init; }

    [Display(Name = "Load at", Description = "Level from the left end, metres.")]
    [Range(0.01, 1000)]
    public double? AtM { get; init; }

    [Display(Name = "Sag", Description = "Of the load under the straight line between the ends, metres.")]
    [Range(0.01, 500)]
    public double? SagM { get; init; }

    [Display(
        Name = "Length of the line",
        Description = "Between the ends, metres: a carriage rolls to where it rests."
    )]
    [Range(1, 2000)]
    public double? LineLengthM { get; init; }

    [Display(Name = "Tension before the load", Description = "Newtons: the line stretches under the load.")]
    [Range(1, 1_000_000)]
    public double? PretensionN { get; init; }

    [Display(Name = "Stiffness along the line", Description = "Force for a stretch of its whole length, newtons.")]
    [Range(1000, 1e9)]
    public double? AxialStiffnessN { get; init; }
}

/// <summary>What a loaded line carries.</summary>
/// <remarks>
/// Method M19, the line's own weight left out. By sag: <c>H = W·x·(ℓ − x) / (ℓ·s)</c>, each side <c>H·√(1 + (v/x)²)</c>
/// with its own drop v. By length: a carriage rests where both sides have one angle, <c>T = W / (2·√(1 − (ℓ/S)²))</c>. By
/// tension: the length solved for a carriage that rolls without friction and is held at its place by a hauling line along
/// the steeper side, which carries what that side carries more.
/// </remarks>
/// <param name="HorizontalN">The level part.</param>
/// <param name="RestsAtM">Where a carriage that is let go comes to rest, level from the left end.</param>
/// <param name="SagM">Under the straight line between the ends.</param>
public sealed record LoadedLine(double HorizontalN, double LeftN, double RightN, double? RestsAtM, double? SagM)
{
    public static (LoadedLine? Line, List<Problem> Problems) Of(LoadedLineAsk ask, UnitSystem units)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(ask, units, problems);
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var made =
            ask.LineLengthM is { } length ? ByLength(ask, length, units, problems)
            : ask.PretensionN is { } tight ? ByTension(ask, tight, units, problems)
            : BySag(ask, units, problems);
        return (made, problems);
    }

    private static LoadedLine? BySag(LoadedLineAsk ask, UnitSystem units, List<Problem> problems)
    {
        if (ask.SagM is not { } sag)
        {
            problems.Add(
                new("sagM", "A line without sag carries nothing: give the sag, the length of the line, or its tension.")
            );
            return null;
        }

        return PlaceOf(ask, units, problems) is { } at ? At(ask, at, sag) : null;
    }

    /// <summary>A line whose load hangs so far under the chord at a place.</summary>
    private static LoadedLine At(LoadedLineAsk ask, double at, double sag)
    {
        var level = ask.WeightN * at * (ask.SpanM - at) / (ask.SpanM * sag);
        var (left, right) = Falls(ask, at, sag);
        return new(
            level,
            level * Math.Sqrt(1 + Square(left / at)),
            level * Math.Sqrt(1 + Square(right / (ask.SpanM - at))),
            null,
            sag
        );
    }

    private static LoadedLine? ByLength(LoadedLineAsk ask, double length, UnitSystem units, List<Problem> problems)
    {
        var chord = Math.Sqrt(Square(ask.SpanM) + Square(ask.DropM));
        if (length <= chord * 1.0001)
        {
            problems.Add(
                new(
                    "lineLengthM",
                    units.Say($"The ends are {chord:m} apart: a line of {length:m} has no sag to carry a load with.")
                )
            );
            return null;
        }

        var cosine = ask.SpanM / length;
        var sine = Math.Sqrt(1 - Square(cosine));
        var longer = ask.DropM / sine;
        var left = (length + longer) / 2;
        var tension = ask.WeightN / (2 * sine);
        var at = left * cosine;
        var sag = (left * sine) - (ask.DropM * at / ask.SpanM);
        return new(tension * cosine, tension, tension, at, sag);
    }

    private static LoadedLine? ByTension(LoadedLineAsk ask, double tight, UnitSystem units, List<Problem> problems)
    {
        if (ask.AxialStiffnessN is not { } stiffness)
        {
            problems.Add(new("axialStiffnessN", "How far a line sags under a load follows from its stretch: give it."));
            return null;
        }

        if (PlaceOf(ask, units, problems) is not { } at)
        {
            return null;
        }

        var hung = HungLine.Tight(ask.SpanM, ask.DropM, tight, stiffness).Under(ask.WeightN, at);
        return new(hung.LevelN, hung.LeftN, hung.RightN, null, hung.SagM);
    }

    /// <summary>How far the load hangs under the left and under the right end.</summary>
    private static (double Left, double Right) Falls(LoadedLineAsk ask, double at, double sag)
    {
        var left = sag + (ask.DropM * at / ask.SpanM);
        return (left, left - ask.DropM);
    }

    private static double? PlaceOf(LoadedLineAsk ask, UnitSystem units, List<Problem> problems)
    {
        var at = ask.AtM ?? (ask.SpanM / 2);
        if (at < ask.SpanM)
        {
            return at;
        }

        problems.Add(
            new("atM", units.Say($"The load is past the span of {ask.SpanM:m}: give a place between the ends."))
        );
        return null;
    }

    private static double Square(double x) => x * x;
}
