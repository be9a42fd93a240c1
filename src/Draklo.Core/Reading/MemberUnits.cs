namespace Draklo.Core.Reading;

/// <summary>The unit of a member by how its name ends.</summary>
internal static class MemberUnits
{
    /// <summary>As <see cref="Core.Units.Figures"/> writes it; "x" for a plain number.</summary>
    public static string Of(string name) =>
        name switch
        {
            _ when name.EndsWith("KgM3", StringComparison.Ordinal) => "kg/m3",
            _ when name.EndsWith("MPa", StringComparison.Ordinal) => "MPa",
            _ when name.EndsWith("GPa", StringComparison.Ordinal) => "GPa",
            _ when name.EndsWith("Mps", StringComparison.Ordinal) => "m/s",
            _ when name.EndsWith("Deg", StringComparison.Ordinal) => "deg",
            "hingeThicknessM" or "stumpDiameterM" or "depthM" or "dbhM" or "sheaveDiameterM" => "cm",
            "diameterM" => "mm",
            "north" or "east" or "south" or "west" => "m",
            _ when name.EndsWith('M') => "m",
            _ when name.EndsWith('N') => "N",
            _ => "x",
        };

    /// <summary>What one of the document's own units is in SI: strengths stand there in MPa, stiffness in GPa.</summary>
    public static double SiOf(string unit) =>
        unit switch
        {
            "MPa" => 1e6,
            "GPa" => 1e9,
            _ => 1,
        };
}
