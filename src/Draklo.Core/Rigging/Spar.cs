using System.ComponentModel.DataAnnotations;
using Draklo.Core.Geometry;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Rigging;

/// <summary>A standing stem that carries a block at its top.</summary>
public sealed record SparAsk : IDocumentPart
{
    [Display(Name = "Height of the block", Description = "Metres.")]
    [Range(1, 60)]
    public required double HeightM { get; init; }

    [Display(Name = "Diameter", Description = "Of the sound wood at the foot, metres.")]
    [Range(0.05, 3)]
    public required double DiameterM { get; init; }

    [Display(Name = "Stiffness", Description = "Green modulus of elasticity, gigapascals.")]
    [Range(1, 25)]
    public required double StiffnessGPa { get; init; }

    [Display(Name = "Level pull", Description = "At the block, newtons.")]
    [Range(0, 1_000_000)]
    public required double LevelN { get; init; }

    [Display(Name = "Downward pull", Description = "At the block, newtons.")]
    [Range(0, 1_000_000)]
    public double DownN { get; init; }

    [Display(Name = "Own weight", Description = "Of the spar, newtons.")]
    [Range(0, 1_000_000)]
    public double OwnWeightN { get; init; }

    [Display(Name = "Guy", Description = "Left out, the spar stands alone.")]
    public GuyAsk? Guy { get; init; }
}

public sealed record GuyAsk : IDocumentPart
{
    [Display(Name = "Guy falls", Description = "From the block to its anchor, below level, degrees.")]
    [Range(0, 80)]
    public required double RiseDeg { get; init; }

    [Display(Name = "Guy off straight back", Description = "Degrees.")]
    [Range(-80, 80)]
    public double OffDeg { get; init; }

    [Display(Name = "Length of the guy", Description = "Metres.")]
    [Range(1, 300)]
    public required double LengthM { get; init; }

    [Display(Name = "Stiffness along the guy", Description = "Force for a stretch of its whole length, newtons.")]
    [Range(1000, 1e9)]
    public required double AxialStiffnessN { get; init; }
}

/// <summary>How a spar and its guy share a pull.</summary>
/// <remarks>
/// Method M19. Guy and anchor are checked as if the foot were pinned, <c>F / (cos γ·cos ψ)</c>; the spar's bending by
/// stiffness, <c>k_s = 3EI/h³</c> against <c>k_g = EA·cos²γ/L_g</c> along the guy: a rope guy takes only its share, and one
/// off to the side bends the spar sideways. One guy holds the head in its own plane and on one side only, so the spar
/// buckles as if its head were free.
/// </remarks>
/// <param name="GuyIfPinnedN">What guy and anchor are checked for; null without a guy.</param>
/// <param name="GuyShare">Of the level pull, along it, 0 to 1.</param>
/// <param name="GuyN">What the guy really carries.</param>
/// <param name="FootMomentNm">Of both planes together: what the guy leaves of the pull, and its own pull sideways.</param>
/// <param name="CompressionN">In the spar's foot.</param>
/// <param name="BucklingN">What it buckles at.</param>
public sealed record Spar(
    double? GuyIfPinnedN,
    double GuyShare,
    double GuyN,
    double FootMomentNm,
    double FootStressMPa,
    double CompressionN,
    double BucklingN
)
{
    public static (Spar? Spar, List<Problem> Problems) Of(SparAsk ask, UnitSystem units)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(ask, units, problems);
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var d = ask.DiameterM;
        var bending = ask.StiffnessGPa * 1e9 * Math.PI * Math.Pow(d, 4) / 64;
        var h = ask.HeightM;
        var (share, aside, pinned, guyN, down) = (0.0, 0.0, (double?)null, 0.0, 0.0);
        if (ask.Guy is { } guy)
        {
            var (rise, off) = (Angle.Radians(guy.RiseDeg), Angle.Radians(guy.OffDeg));
            var stem = 3 * bending / (h * h * h);
            var rope = guy.AxialStiffnessN * Math.Cos(rise) * Math.Cos(rise) / guy.LengthM;
            var level = rope * ask.LevelN * Math.Cos(off) / (stem + rope);
            share = rope * Math.Cos(off) * Math.Cos(off) / (stem + rope);
            aside = level * Math.Sin(off);
            pinned = ask.LevelN / (Math.Cos(rise) * Math.Cos(off));
            guyN = level / Math.Cos(rise);
            down = guyN * Math.Sin(rise);
        }

        var left = ask.LevelN * (1 - share);
        var moment = h * Math.Sqrt((left * left) + (aside * aside));
        var euler = Math.PI * Math.PI * bending / (h * h);
        return (
            new(
                pinned,
                share,
                guyN,
                moment,
                moment * 32 / (Math.PI * d * d * d) / 1e6,
                ask.DownN + down + ask.OwnWeightN,
                euler / 4
            ),
            problems
        );
    }
}
