using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>Follows a pull as cell and gauge read it, and says when it goes otherwise than it should.</summary>
/// <remarks>Method M5. That a quarter over the curve, still rising over two seconds, is a stop is ours.</remarks>
/// <param name="tensionAt">What the line carries at a lean, N.</param>
public sealed class LivePull(double commitDeg, Func<double, double> tensionAt, UnitSystem units)
{
    private const double OverCurve = 1.25;
    private const double NoiseN = 80;
    private const double Rises = 1.05;
    private const double LookBackS = 2;
    private const double StandsDeg = 0.3;

    private readonly Queue<(double AtS, double LeanDeg, double TensionN)> lately = new();

    /// <summary>Takes a moment.</summary>
    /// <returns>What to do about it; empty while it goes as it should.</returns>
    public string Take(double leanDeg, double tensionN, double atS)
    {
        lately.Enqueue((atS, leanDeg, tensionN));
        while (lately.Count > 1 && atS - lately.Peek().AtS > LookBackS)
        {
            lately.Dequeue();
        }

        var then = lately.Peek();
        if (leanDeg >= commitDeg)
        {
            return "It goes by itself: let it come, nobody hauls after it.";
        }

        var asks = tensionAt(leanDeg);
        var rises = atS - then.AtS > LookBackS * 0.9 && tensionN > Rises * then.TensionN;
        return rises && tensionN > (OverCurve * asks) + NoiseN && leanDeg - then.LeanDeg < StandsDeg
            ? units.Say(
                $"Hold. {tensionN:N} at {leanDeg:deg}, and {asks:N} is what it should take there: it rises and the tree does not come."
            )
            : "";
    }
}
