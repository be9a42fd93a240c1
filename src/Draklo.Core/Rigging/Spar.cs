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
/// stiffness, <c>k_s = 3EI/h³</c> against <c>k_g = EA·cos²γ·cos²ψ/L_g</c>: a rope guy takes only its share.
/// </remarks>
/// <param name="GuyIfPinnedN">What guy and anchor are checked for; null without a guy.</param>
/// <param name="GuyShare">Of the level pull, 0 to 1.</param>
/// <param name="GuyN">What the guy really carries.</param>
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
    /// <summary>Of a rod that is fixed at its foot and held at its head, over that of one pinned at both ends.</summary>
    private const double HeldAtHead = 2.046;

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
        var (share, pinned, guyN, down) = (0.0, (double?)null, 0.0, 0.0);
        if (ask.Guy is { } guy)
        {
            var (rise, off) = (Angle.Radians(guy.RiseDeg), Angle.Radians(guy.OffDeg));
            var along = Math.Cos(rise) * Math.Cos(off);
            var stem = 3 * bending / (h * h * h);
            var rope = guy.AxialStiffnessN * along * along / guy.LengthM;
            share = rope / (stem + rope);
            pinned = ask.LevelN / along;
            guyN = share * ask.LevelN / along;
            down = guyN * Math.Sin(rise);
        }

        var moment = ask.LevelN * (1 - share) * h;
        var euler = Math.PI * Math.PI * bending / (h * h);
        return (
            new(
                pinned,
                share,
                guyN,
                moment,
                moment * 32 / (Math.PI * d * d * d) / 1e6,
                ask.DownN + down + ask.OwnWeightN,
                ask.Guy is null ? euler / 4 : HeldAtHead * euler
            ),
            problems
        );
    }
}
