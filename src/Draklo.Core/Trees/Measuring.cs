using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Trees;

/// <summary>What follows from the readings that were taken of a tree.</summary>
/// <remarks>Method M2.</remarks>
/// <param name="HeightM">From the height reading; null without one.</param>
/// <param name="DbhM">From the girth.</param>
/// <param name="Lean">From one view or two.</param>
public sealed record Measured(double? HeightM, double? DbhM, MeasuredLean? Lean)
{
    public static readonly Measured Nothing = new(null, null, null);
}

/// <param name="AngleDeg">Off plumb.</param>
/// <param name="BearingDeg">Toward which it leans.</param>
/// <param name="OneView">True when only what one view shows is known; the tree may lean toward or away from it as
/// well.</param>
public sealed record MeasuredLean(double AngleDeg, double BearingDeg, bool OneView);

/// <summary>Turns angles, a tape and a stick into height, diameter and lean.</summary>
/// <remarks>Method M2.</remarks>
public static class Measuring
{
    /// <summary>What the readings say, or why they cannot be used.</summary>
    /// <param name="heightM">Of the tree, as the plan has it.</param>
    public static Measured From(
        ReadingMembers readings,
        double heightM,
        UnitSystem units,
        List<Problem> problems,
        Workings? workings
    )
    {
        if (readings.Height is null && readings.GirthM is null && readings.LeanViews.Count == 0)
        {
            return Measured.Nothing;
        }

        double? diameter = readings.GirthM / Math.PI;
        if (diameter is { } d)
        {
            workings?.Add(
                "measured-diameter",
                "Diameter from the girth",
                "d",
                d,
                "cm",
                "d = girth / π",
                $"{readings.GirthM!.Value:m} / π",
                "M2"
            );
        }

        return new(
            HeightOf(readings.Height, units, problems, workings),
            diameter,
            LeanOf(readings.LeanViews, heightM, problems, workings)
        );
    }

    private static double? HeightOf(
        HeightReadingMembers? reading,
        UnitSystem units,
        List<Problem> problems,
        Workings? workings
    )
    {
        if (reading is null)
        {
            return null;
        }

        if (reading.Method == HeightMethod.Stick)
        {
            var tall = reading.ComesToM;
            workings?.Add(
                "measured-height",
                "Height by the stick",
                "H",
                tall,
                "m",
                "H = D · stick / arm",
                $"{reading.DistanceM:m} · {reading.StickM:cm} / {reading.ArmM:cm}",
                "M2"
            );
            return Fits(tall);
        }

        if (reading.UpDeg <= reading.DownDeg)
        {
            problems.Add(
                new(
                    "readings.height.upDeg",
                    $"The angle to the top, {Figures.Plain(reading.UpDeg, 3)}°, is not above the angle to the foot, {Figures.Plain(reading.DownDeg, 3)}°: read them again, down is negative."
                )
            );
            return null;
        }

        var (level, height) = (reading.LevelM, reading.ComesToM);
        if (reading.Method == HeightMethod.Slope)
        {
            workings?.Add(
                "measured-level",
                "Level distance",
                "D",
                level,
                "m",
                "D = tape · cos(slope)",
                $"{reading.DistanceM:m} · cos {reading.SlopeDeg:deg}",
                "M2"
            );
        }

        workings?.Add(
            "measured-height",
            "Height by two angles",
            "H",
            height,
            "m",
            "H = D · (tan up − tan down)",
            $"{level:m} · (tan {reading.UpDeg:deg} − tan {reading.DownDeg:deg})",
            "M2"
        );
        return Fits(height);

        double? Fits(double value)
        {
            if (value is >= HeightReadingMembers.LeastM and <= HeightReadingMembers.MostM)
            {
                return value;
            }

            problems.Add(
                new(
                    "readings.height.distanceM",
                    units.Say($"These readings make a tree of {value:m}: check the distance and the angles.")
                )
            );
            return null;
        }
    }

    private static MeasuredLean? LeanOf(
        IReadOnlyList<LeanViewMembers> views,
        double heightM,
        List<Problem> problems,
        Workings? workings
    )
    {
        if (views.Count == 0)
        {
            return null;
        }

        if (ReadLean.By(views, heightM) is not { } lean)
        {
            problems.Add(
                new(
                    "readings.leanViews[1].lookingDeg",
                    "The two views lie nearly in one line, so they say little about the lean along it: take the second from the side, about a quarter turn round."
                )
            );
            return null;
        }

        workings?.Add(
            "measured-lean",
            "Lean from the views",
            "λ",
            lean.AngleDeg,
            "deg",
            "−n · sin b + e · cos b = tan(lean seen) for each view; tan λ = √(n² + e²)",
            $"n {lean.North:x}, e {lean.East:x}: toward {lean.BearingDeg:deg}",
            "M2",
            estimate: views.Count == 1
        );
        return lean.AngleDeg > 45 ? Refused(problems) : new(lean.AngleDeg, lean.BearingDeg, views.Count == 1);
    }

    private static MeasuredLean? Refused(List<Problem> problems)
    {
        problems.Add(
            new("readings.leanViews[0].leanDeg", "The views together make a lean of over 45°: read them again.")
        );
        return null;
    }
}
