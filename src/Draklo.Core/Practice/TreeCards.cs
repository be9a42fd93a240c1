using Draklo.Core.Falls;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Practice;

/// <summary>Cards about the tree: lean, wind, landing, hinge.</summary>
internal static class TreeCards
{
    public static SolvedCard LeanFromTwoViews(Chance chance, UnitSystem units)
    {
        var a = chance.Between(2, 9, 0.5);
        var b = chance.Between(2, 9, 0.5);
        var (ta, tb) = (Math.Tan(Angle.Radians(a)), Math.Tan(Angle.Radians(b)));
        var lean = Angle.Degrees(Math.Atan(Math.Sqrt((ta * ta) + (tb * tb))));
        return chance.Number(
            "From two places at a right angle a tree leans as drawn. How far does it lean in truth?",
            [new("Seen from the south", units.Say($"{a:deg}")), new("Seen from the east", units.Say($"{b:deg}"))],
            "deg",
            lean,
            units.Say($"{lean:deg}: more than either view shows."),
            [
                "tan lean = √(tan² a + tan² b)  (M2)",
                units.Say($"√(tan² {a:deg} + tan² {b:deg}) = tan {lean:deg}"),
                "One view alone never shows the lean.",
            ],
            new("views", Figures(("a", a), ("b", b)))
        );
    }

    public static SolvedCard WhatAGustDoes(Chance chance, UnitSystem units)
    {
        var plan = PracticePlans.Some(chance);
        var (slow, fast) = (chance.Between(3, 5, 1), chance.Between(8, 12, 1));
        var (before, after) = (ForceAt(plan, slow), ForceAt(plan, fast));
        return chance.Number(
            "The wind pushes this crown. How hard does the gust push?",
            [
                new("Crown", $"{units.Say($"{plan.Tree.HeightM - plan.Tree.Crown.BaseHeightM:m}")} deep, in leaf"),
                new("Now", units.Say($"{slow:m/s} push with {before:N}")),
                new("The gust", units.Say($"{fast:m/s}")),
            ],
            "N",
            after,
            units.Say($"{after:N}: wind pushes with the square of its speed."),
            ["F = ½ · ρ · C · A · v²  (M3)", units.Say($"{before:N} · ({fast:m/s} / {slow:m/s})² = {after:N}")]
        );
    }

    public static SolvedCard WhereTheTipLands(Chance chance, UnitSystem units)
    {
        var plan = PracticePlans.Some(chance);
        var off = chance.Between(2, 8, 0.5);
        var far = Fall.Of(plan, new(), UnitSystem.Metric).Fall?.Tip is { } landing
            ? Math.Sqrt((landing.ForwardM * landing.ForwardM) + (landing.RightM * landing.RightM))
            : plan.Tree.HeightM;
        var aside = far * Math.Tan(Angle.Radians(off));
        return chance.Number(
            "The aim is off by this much. How far to the side of the mark does the tip come down?",
            [new("Tip lands", units.Say($"{far:m} from the stump")), new("Off the lay by", units.Say($"{off:deg}"))],
            "m",
            aside,
            units.Say($"{aside:m} aside."),
            ["aside = distance · tan(error)", units.Say($"{far:m} · tan {off:deg} = {aside:m}")],
            new("landing", Figures(("out", far), ("deg", off)))
        );
    }

    public static SolvedCard HowFarAHingeHolds(Chance chance, UnitSystem units)
    {
        var wood = chance.Random.One<HingeClass>([HingeClass.Brittle, HingeClass.Fair, HingeClass.Strong]);
        var notch = chance.Between(30, 80, 5);
        var side = chance.Between(0, 0.6, 0.1);
        var hold = Hinge.HoldDeg(Hinge.WoodDeg(wood), notch, side).Nominal;
        var table = Hinge.WoodDeg(wood).Nominal;
        return chance.Number(
            "How far does this hinge hold before it lets go?",
            [
                new("Wood", units.Say($"{Word(wood)}, bends {table:deg}")),
                new("Notch opens", units.Say($"{notch:deg}")),
                new("Work to the side", units.Say($"{side:%} of what it carries")),
            ],
            "deg",
            hold,
            units.Say($"{hold:deg}: {(hold >= notch ? "the notch closes first" : "the wood lets go first")}."),
            [
                "hold = the smaller of the notch's opening and the wood's angle · (1 − side use)  (M6)",
                units.Say($"min({notch:deg}, {table:deg} · (1 − {side:x})) = {hold:deg}"),
            ]
        );
    }

    public static IReadOnlyDictionary<string, double> Figures(params (string Name, double Value)[] figures) =>
        figures.ToDictionary(f => f.Name, f => f.Value, StringComparer.Ordinal);

    private static string Word(HingeClass wood) => $"{wood}".ToLowerInvariant();

    private static double ForceAt(Plan plan, double speed)
    {
        var blown = plan with { Wind = plan.Wind with { SpeedMps = speed, InLeaf = true } };
        return PlanContext.Of(blown, UnitSystem.Metric).Wind.Force;
    }
}
