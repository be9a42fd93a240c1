using Draklo.Core.Plans;

namespace Draklo.Core.Trees;

/// <summary>
/// A stem: a taper of one exponent, d(z) = d0·(1 − z/H)^p, or straight frustums between measured sections.
/// </summary>
/// <remarks>Method M1. Lengths in metres, z above the ground.</remarks>
public sealed class Stem
{
    public const double BreastHeight = 1.3;

    // Gauss–Legendre with three points: exact for the fifth degree, and a frustum's second moment has the fourth.
    private static readonly (double At, double Weight)[] Gauss =
    [
        (-0.7745966692414834, 5.0 / 9),
        (0, 8.0 / 9),
        (0.7745966692414834, 5.0 / 9),
    ];

    private readonly double[]? heights;
    private readonly double[]? diameters;

    /// <summary>A stem by its form.</summary>
    public Stem(double height, double breastDiameter, double taper, double stumpHeight)
    {
        Height = height;
        Taper = taper;
        StumpHeight = stumpHeight;
        BaseDiameter = breastDiameter / Math.Pow(1 - (BreastHeight / height), taper);
        var above = 1 - (stumpHeight / height);
        Volume =
            Math.PI / 4 * BaseDiameter * BaseDiameter * height * Math.Pow(above, (2 * taper) + 1) / ((2 * taper) + 1);
        CentreAboveCut = LengthAboveCut / ((2 * taper) + 2);
        MeanSquareAboveCut = LengthAboveCut * LengthAboveCut * 2 / (((2 * taper) + 2) * ((2 * taper) + 3));
    }

    /// <summary>A tree's stem: by its sections where its mass is worked out by them, else by its form.</summary>
    /// <param name="stumpHeight">Of the felling cut, metres over the ground, 0 or more.</param>
    public static Stem Of(TreeMembers tree, double stumpHeight) =>
        tree.Mass.Method == MassMethod.Sections
            ? new(tree.HeightM, tree.Mass.Sections, tree.TaperExponent, stumpHeight)
            : new(tree.HeightM, tree.DbhM, tree.TaperExponent, stumpHeight);

    /// <summary>
    /// A stem by measured sections, from below upward; below the lowest it is as thick as there, above the highest it
    /// runs to a point at the top.
    /// </summary>
    public Stem(double height, IReadOnlyList<SectionMembers> sections, double taper, double stumpHeight)
    {
        Height = height;
        Taper = taper;
        StumpHeight = stumpHeight;
        BaseDiameter = sections[0].DiameterM;
        heights = [0, .. sections.Select(s => s.HeightM), height];
        diameters = [BaseDiameter, .. sections.Select(s => s.DiameterM), 0];
        double first = 0;
        double second = 0;
        for (var i = 1; i < heights.Length; i++)
        {
            var low = Math.Max(heights[i - 1], stumpHeight);
            var half = (heights[i] - low) / 2;
            if (half <= 0)
            {
                continue;
            }

            foreach (var (at, weight) in Gauss)
            {
                var z = low + half + (half * at) - stumpHeight;
                var d = DiameterAt(z);
                var slice = weight * half * Math.PI / 4 * d * d;
                Volume += slice;
                first += slice * z;
                second += slice * z * z;
            }
        }

        CentreAboveCut = first / Volume;
        MeanSquareAboveCut = second / Volume;
    }

    /// <summary>Of the tree above the ground, m, over 0.</summary>
    public double Height { get; }

    /// <summary>Where its diameter was measured, metres above the ground; none for a stem by its form.</summary>
    public ReadOnlySpan<double> MeasuredHeights => heights is null ? [] : heights.AsSpan(1, heights.Length - 2);

    /// <summary>Exponent of the diameter over what is left to the top, 0 and up; 1 is a cone (M1).</summary>
    public double Taper { get; }

    /// <summary>Of the cut above the ground, m, 0 or more.</summary>
    public double StumpHeight { get; }

    /// <summary>The stem's diameter at the ground.</summary>
    public double BaseDiameter { get; }

    /// <summary>Of the stem above the cut, cubic metres.</summary>
    public double Volume { get; }

    /// <summary>From the plane of the cut to the top.</summary>
    public double LengthAboveCut => Height - StumpHeight;

    /// <summary>Where the stem's mass acts, above the plane of the cut.</summary>
    public double CentreAboveCut { get; }

    /// <summary>
    /// Mean square of the mass's height above the cut, m²: what a swept stem's offset and the inertia rest on.
    /// </summary>
    public double MeanSquareAboveCut { get; }

    /// <summary>Diameter at a height above the plane of the cut; 0 at the top and beyond.</summary>
    public double DiameterAt(double aboveCut)
    {
        var z = aboveCut + StumpHeight;
        if (z >= Height)
        {
            return 0;
        }

        if (heights is null || diameters is null)
        {
            return BaseDiameter * Math.Pow(1 - (z / Height), Taper);
        }

        var i = 1;
        while (heights[i] < z || heights[i] <= heights[i - 1])
        {
            i++;
        }

        return diameters[i - 1]
            + ((diameters[i] - diameters[i - 1]) * (z - heights[i - 1]) / (heights[i] - heights[i - 1]));
    }
}
