using Draklo.Core.Links;

namespace Draklo.Core.Clearing;

/// <summary>How far each uncertain figure of a way is moved: −1 at its low value, 0 at the middle, 1 at its high one.</summary>
/// <remarks>
/// Method M20, one at a time. A calculated mass is off by 15 %, a weighed one by 5 %; friction of a log and what blocks
/// pass on over the range of their tables; the shape of a line (its sag, a drop) by a tenth, an estimate of ours.
/// </remarks>
internal readonly record struct Doubts(double Mass, double Friction, double Passes, double Shape)
{
    public const double CalculatedMass = 0.15;
    public const double WeighedMass = 0.05;
    public const double ShapeOff = 0.1;

    private const double Triangular = 6;
    private const double Bend = 12;

    private static readonly (Doubts Low, Doubts High)[] Single =
    [
        (new(-1, 0, 0, 0), new(1, 0, 0, 0)),
        (new(0, -1, 0, 0), new(0, 1, 0, 0)),
        (new(0, 0, -1, 0), new(0, 0, 1, 0)),
        (new(0, 0, 0, -1), new(0, 0, 0, 1)),
    ];

    /// <summary>Between a table's figures.</summary>
    public static double Between(double low, double nominal, double high, double moved) =>
        moved < 0 ? nominal + (moved * (nominal - low)) : nominal + (moved * (high - nominal));

    /// <summary>What each use stays under in 95 cases of 100.</summary>
    /// <param name="usesAt">The uses of all links, always in one order, with the figures moved.</param>
    public static double[] CarefulUses(double[] middle, Func<Doubts, double[]> usesAt)
    {
        var bent = (double[])middle.Clone();
        var squares = new double[middle.Length];
        foreach (var (low, high) in Single)
        {
            var (at, to) = (usesAt(low), usesAt(high));
            for (var i = 0; i < middle.Length; i++)
            {
                if (i >= at.Length || i >= to.Length)
                {
                    continue;
                }

                bent[i] += (at[i] + to[i] - (2 * middle[i])) / Bend;
                var spread = (to[i] - at[i]) / 2;
                squares[i] += spread * spread / Triangular;
            }
        }

        for (var i = 0; i < middle.Length; i++)
        {
            bent[i] = Math.Max(middle[i], bent[i] + (CarefulEnd.Deviations * Math.Sqrt(squares[i])));
        }

        return bent;
    }
}
