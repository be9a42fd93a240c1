namespace Draklo.Core.Trees;

/// <summary>A stem as a taper of one exponent: d(z) = d0·(1 − z/H)^p, through the diameter at breast height.</summary>
/// <remarks>Method M1. Lengths in metres, z above the ground.</remarks>
public readonly record struct Stem
{
    public const double BreastHeight = 1.3;

    public Stem(double height, double breastDiameter, double taper, double stumpHeight)
    {
        Height = height;
        Taper = taper;
        StumpHeight = stumpHeight;
        BaseDiameter = breastDiameter / Math.Pow(1 - (BreastHeight / height), taper);
        var above = 1 - (stumpHeight / height);
        Volume = Math.PI / 4 * BaseDiameter * BaseDiameter * height * Math.Pow(above, (2 * taper) + 1) / ((2 * taper) + 1);
    }

    public double Height { get; }

    public double Taper { get; }

    public double StumpHeight { get; }

    /// <summary>The taper's diameter at the ground, d0.</summary>
    public double BaseDiameter { get; }

    /// <summary>Of the stem above the cut, cubic metres.</summary>
    public double Volume { get; }

    /// <summary>From the plane of the cut to the top.</summary>
    public double LengthAboveCut => Height - StumpHeight;

    /// <summary>Where the stem's mass acts, above the plane of the cut.</summary>
    public double CentreAboveCut => LengthAboveCut / ((2 * Taper) + 2);

    /// <summary>Diameter at a height above the plane of the cut; 0 at the top and beyond.</summary>
    public double DiameterAt(double aboveCut)
    {
        var rest = 1 - ((aboveCut + StumpHeight) / Height);
        return rest <= 0 ? 0 : BaseDiameter * Math.Pow(rest, Taper);
    }
}
