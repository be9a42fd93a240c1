using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Rigging;

/// <summary>A piece that drops into its rope.</summary>
public sealed record CatchAsk : IDocumentPart
{
    [Display(Name = "Weight of the piece", Description = "Newtons.")]
    [Range(10, 200_000)]
    public required double WeightN { get; init; }

    [Display(Name = "Drop", Description = "How far it falls before the rope begins to hold it, metres.")]
    [Range(0, 50)]
    public required double DropM { get; init; }

    [Display(
        Name = "Parts",
        Description = "1, or 2 where the rope runs round a block on the piece and its end is on the spar."
    )]
    [Range(1, 2)]
    public int Parts { get; init; } = 1;

    public required RiggingRope Rope { get; init; }

    [Display(Name = "Rope from piece to block", Description = "When the rope comes tight, metres.")]
    [Range(0.1, 100)]
    public required double PieceToBlockM { get; init; }

    [Display(Name = "Rope from block to drum", Description = "Metres.")]
    [Range(0.1, 200)]
    public required double BlockToDrumM { get; init; }

    [Display(Name = "Block passes", Description = "Share of the tension that comes past the block, 0.3 to 1.")]
    [Range(0.3, 1)]
    public required double Efficiency { get; init; }

    [Display(
        Name = "Spar gives",
        Description = "Force at the block for each metre that it moves, newtons; left out, it does not give."
    )]
    [Range(100, 1e9)]
    public double? SparStiffnessNPerM { get; init; }

    [Display(
        Name = "Drum slips at",
        Description = "Force on the piece at which the drum lets rope run, newtons; left out, it is held."
    )]
    [Range(10, 1_000_000)]
    public double? SlipN { get; init; }
}

/// <summary>What a catch comes to.</summary>
/// <remarks>
/// Method M19. Held, <c>F = W·(1 + √(1 + 2·k·drop/W))</c> on the piece. Two parts are four times as stiff over twice the
/// first length, so they do not halve the peak. Let run, the drum holds the piece back with what it slips at.
/// </remarks>
/// <param name="StiffnessNPerM">At the piece, the spar's giving taken in.</param>
/// <param name="PieceN">The most that the piece feels.</param>
/// <param name="LineN">The most in the rope.</param>
/// <param name="BlockN">On the block that the rope turns at.</param>
/// <param name="StemN">On the stem: the block, and the rope's end where it is on the stem too.</param>
/// <param name="RunM">How far it runs until it stands; null where the drum holds it, or it never slips.</param>
public sealed record Catch(
    double StiffnessNPerM,
    double PieceN,
    double LineN,
    double BlockN,
    double StemN,
    double? RunM
)
{
    public static (Catch? Catch, List<Problem> Problems) Of(CatchAsk ask, UnitSystem units)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(ask, units, problems);
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var stretch = ask.Rope.AxialStiffnessN();
        var beyond = ask.Efficiency * ask.BlockToDrumM;
        var rope =
            ask.Parts == 1 ? stretch / (ask.PieceToBlockM + beyond) : 4 * stretch / ((2 * ask.PieceToBlockM) + beyond);
        // Where the spar moves a little, the piece sinks by that and no more: both give one after the other.
        var stiffness = ask.SparStiffnessNPerM is { } spar ? 1 / ((1 / rope) + (1 / spar)) : rope;
        var held = ask.WeightN * (1 + Math.Sqrt(1 + (2 * stiffness * ask.DropM / ask.WeightN)));
        if (ask.SlipN is { } slips && slips < held)
        {
            if (slips <= ask.WeightN)
            {
                problems.Add(
                    new(
                        "slipN",
                        units.Say(
                            $"A drum that slips at {slips:N} never stops a piece of {ask.WeightN:N}: take another turn, or a smaller piece."
                        )
                    )
                );
                return (null, problems);
            }

            return (Made(ask, stiffness, slips, ask.WeightN * ask.DropM / (slips - ask.WeightN)), problems);
        }

        return (Made(ask, stiffness, held, null), problems);
    }

    private static Catch Made(CatchAsk ask, double stiffness, double piece, double? run)
    {
        var line = piece / ask.Parts;
        var block = line * (1 + ask.Efficiency);
        return new(stiffness, piece, line, block, ask.Parts == 2 ? block + line : block, run);
    }
}
