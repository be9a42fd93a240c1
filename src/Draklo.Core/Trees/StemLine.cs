using Draklo.Core.Geometry;

namespace Draklo.Core.Trees;

/// <summary>The leaning middle line of the stem, in the lay frame.</summary>
/// <remarks>
/// Method M1. A straight lean moves every point by its tangent times the height above the cut. A swept stem is upright
/// at the cut and bends above: its offset grows with the square of that height, to the lean's tangent times the whole
/// length at the top.
/// </remarks>
/// <param name="Forward">Tangent of the lean along the lay; negative leans back.</param>
/// <param name="Right">Tangent of the lean to the right.</param>
/// <param name="Length">From the cut to the top, metres.</param>
/// <param name="HingeOffset">How far the hinge lies forward of the stump's middle, metres.</param>
public readonly record struct StemLine(double Forward, double Right, bool Swept, double Length, double HingeOffset)
{
    /// <summary>The middle of the stem at a height above the cut.</summary>
    public Point At(double aboveCut)
    {
        var offset = Swept ? aboveCut * aboveCut / Length : aboveCut;
        return new((Forward * offset) - HingeOffset, Right * offset, aboveCut);
    }

    /// <summary>How far the lean moves the stem's own centre of mass, for each unit of tangent, metres.</summary>
    public double CentreOffset(Stem stem) => Swept ? stem.MeanSquareAboveCut / Length : stem.CentreAboveCut;
}
