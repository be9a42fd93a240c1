using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

/// <summary>The six figures that a crew works by, as they stand on the drawing and on the brief.</summary>
/// <param name="PlannedN">Planned tension of the main line.</param>
/// <param name="NeededN">Needed tension of the main line; low and high hold it in nine cases of ten.</param>
/// <param name="FloorN">Least pre-tension.</param>
/// <param name="CeilingN">Most pre-tension.</param>
/// <param name="Each">What pulls hardest on its line, with what each of them gives.</param>
/// <param name="GoesByItselfDeg">Lean past which gravity does the rest.</param>
/// <param name="GustMps">Gust that it stands, m/s; left out when none is set by the sums.</param>
/// <param name="HoldsInHundred">In how many cases of a hundred the planned tension is enough.</param>
public sealed record Plate(
    double PlannedN,
    Spread NeededN,
    double FloorN,
    double CeilingN,
    PlateEffort Each,
    double GoesByItselfDeg,
    double? GustMps,
    int HoldsInHundred
)
{
    internal static Plate Of(
        CheckedPull found,
        CarefulEnd careful,
        GustReserve? gust,
        double needed,
        double commitDeg,
        IReadOnlyList<LineResult> lines
    ) =>
        new(
            found.Context.PlannedTension,
            new(careful.LowTensionN, needed, careful.TensionN),
            found.Pretension.FloorN,
            found.Pretension.CeilingN,
            PlateEffort.Hardest(found.Context.Plan, lines),
            commitDeg,
            gust?.SpeedMps,
            // Never a hundred of a hundred on account of rounding.
            (int)Math.Floor(100 - careful.NotEnoughInHundred)
        );
}

/// <param name="LineId">The line.</param>
/// <param name="Kind">People, a machine, a vehicle or a hand winch.</param>
/// <param name="ForceN">What each person gives, or the whole pull of a machine.</param>
/// <param name="Count">How many share it.</param>
public sealed record PlateEffort(string LineId, PullerKind Kind, double ForceN, int Count)
{
    internal static PlateEffort Hardest(Plan plan, IReadOnlyList<LineResult> lines)
    {
        var at = Enumerable
            .Range(0, lines.Count)
            .MaxBy(i => lines[i].Tackle.HandForceN / Math.Max(1, lines[i].Hauler.SteadyN.Nominal));
        var puller = plan.Lines[at].Puller;
        var count = puller.Kind == PullerKind.People ? Math.Max(1, puller.Count) : 1;
        return new(lines[at].Id, puller.Kind, lines[at].Tackle.HandForceN / count, count);
    }
}
