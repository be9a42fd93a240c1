using System.Runtime.CompilerServices;
using Draklo.Core.Plans;
using Draklo.Core.Pulling;

namespace Draklo.Web.Outside;

/// <summary>What a simulated instrument sees of a line; a real one needs none of it.</summary>
/// <param name="SecondsInStep">Since the crew came to the step.</param>
/// <param name="TargetN">What the crew brings this line to at this step; 0 while it is slack.</param>
/// <param name="TensionAtLean">What the line carries at a lean, by the plan.</param>
public sealed record LineScene(
    PullStep Step,
    double SecondsInStep,
    double TargetN,
    double CommitDeg,
    Func<double, double> TensionAtLean
);

/// <summary>A load cell in a line.</summary>
/// <remarks>A real one takes the place of the simulated one by being registered instead of it.</remarks>
public interface ILoadCell
{
    string Name { get; }

    /// <summary>Whether it only stands in for an instrument: what it shows is never read.</summary>
    bool IsSimulated { get; }

    /// <summary>Readings as they come, until nobody listens any more.</summary>
    /// <param name="scene">What happens at the line just now.</param>
    IAsyncEnumerable<CellSample> ReadAsync(string lineId, Func<LineScene> scene, CancellationToken cancellation);
}

/// <summary>An angle gauge on the stem.</summary>
/// <remarks>A real one takes the place of the simulated one by being registered instead of it.</remarks>
public interface ILeanGauge
{
    string Name { get; }

    /// <summary>How far the tree has turned since the line was slack, degrees, as often as it is read.</summary>
    IAsyncEnumerable<double> ReadAsync(Func<LineScene> scene, CancellationToken cancellation);
}

/// <summary>How a simulated tree comes over once it is pulled.</summary>
internal static class SimulatedTree
{
    private const double HaulSeconds = 16;
    private const double FallSeconds = 4.5;

    /// <summary>Turned since the line was slack, degrees: slowly to commit, then by itself.</summary>
    public static double LeanDeg(LineScene scene)
    {
        if (scene.Step == PullStep.Down)
        {
            return 90;
        }

        if (scene.Step != PullStep.Pull)
        {
            return 0;
        }

        var s = scene.SecondsInStep - 3;
        if (s <= 0)
        {
            return 0;
        }

        var commit = Math.Max(1, scene.CommitDeg);
        return s < HaulSeconds
            ? commit * Math.Pow(s / HaulSeconds, 1.3)
            : Math.Min(90, commit + ((90 - commit) * Math.Pow((s - HaulSeconds) / FallSeconds, 3)));
    }
}

/// <summary>A load cell that sees a crew follow the steps: it comes up to each step's mark, creeps while it is held, is
/// pulled in heaves, and goes slack as the tree goes.</summary>
public sealed class SimulatedLoadCell(TimeProvider clock) : ILoadCell
{
    public bool IsSimulated => true;

    public static readonly TimeSpan Every = TimeSpan.FromMilliseconds(50);
    private const double FlickerN = 4;
    private const double FlickerShare = 0.006;
    private const double RiseSeconds = 2.5;
    private const double CreepShare = 0.03;
    private const double OverTheFloor = 1.1;
    private const double LapSeconds = 60;
    private const double HooksOn = 15;
    private const double LetsOff = 50;
    private const double EmptyShare = 0.2;

    public string Name => "Simulated load cell";

    public async IAsyncEnumerable<CellSample> ReadAsync(
        string lineId,
        Func<LineScene> scene,
        [EnumeratorCancellation] CancellationToken cancellation
    )
    {
        using var timer = new PeriodicTimer(Every, clock);
        var chance = new Random(7);
        double tension = 0;
        var began = clock.GetUtcNow().ToUnixTimeMilliseconds();
        for (long sequence = 0; ; sequence++)
        {
            var now = scene();
            tension = Next(tension, now, Every.TotalSeconds);
            var flicker = ((2 * chance.NextDouble()) - 1) * (FlickerN + (FlickerShare * tension));
            // A reading has its own number for good: a cell that is opened again does not begin at 0 again.
            yield return new($"simulated-{lineId}", (began * 20) + sequence, Math.Round(tension + flicker, 1), "N");
            if (!await timer.WaitForNextTickAsync(cancellation))
            {
                yield break;
            }
        }
    }

    /// <summary>A load a minute: hooked on, on its way with the most in the middle, let off.</summary>
    private static double LoadShare(double seconds)
    {
        var s = seconds % LapSeconds;
        return s is < HooksOn or > LetsOff
            ? EmptyShare
            : EmptyShare + ((1 - EmptyShare) * Math.Sin(Math.PI * (s - HooksOn) / (LetsOff - HooksOn)));
    }

    /// <summary>Where the tension has come a moment later, without flicker.</summary>
    public static double Next(double tension, LineScene scene, double seconds)
    {
        var lean = SimulatedTree.LeanDeg(scene);
        var wanted = scene.Step switch
        {
            PullStep.Pull when lean > 0 => scene.TensionAtLean(lean)
                * (1.06 + (0.05 * Math.Sin(2 * Math.PI * 0.7 * scene.SecondsInStep))),
            PullStep.Down => 0,
            PullStep.Clear => scene.TargetN * LoadShare(scene.SecondsInStep),
            // Over the floor by more than the cell and its flicker are off: a reading there must not fall under it by chance.
            PullStep.Floor => scene.TargetN * OverTheFloor,
            PullStep.Hold => scene.TargetN * (OverTheFloor - (CreepShare * (1 - Math.Exp(-scene.SecondsInStep / 40)))),
            _ => scene.TargetN * 1.04,
        };
        return tension + ((wanted - tension) * (1 - Math.Exp(-seconds / (lean > 0 ? 0.4 : RiseSeconds))));
    }
}

/// <summary>A lean gauge that sees the simulated tree, ten times a second, off by a tenth of a degree.</summary>
public sealed class SimulatedLeanGauge(TimeProvider clock) : ILeanGauge
{
    public string Name => "Simulated angle gauge";

    public async IAsyncEnumerable<double> ReadAsync(
        Func<LineScene> scene,
        [EnumeratorCancellation] CancellationToken cancellation
    )
    {
        using var timer = new PeriodicTimer(TimeSpan.FromMilliseconds(100), clock);
        do
        {
            yield return Math.Round(SimulatedTree.LeanDeg(scene()) + (Noise.Next() * 0.05), 1);
        } while (await timer.WaitForNextTickAsync(cancellation));
    }
}
