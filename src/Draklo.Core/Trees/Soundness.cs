using Draklo.Core.Plans;

namespace Draklo.Core.Trees;

/// <summary>What rot leaves of a stem's bending strength.</summary>
/// <remarks>
/// A hollow round stem of outer diameter D and sound shell t keeps <c>1 − (1 − 2t/D)⁴</c> of its section modulus. Below
/// a shell of 0.3 of the radius that formula no longer tells the truth: the shell folds or splits before it bends, and
/// there is no wood to make a hinge of.
/// </remarks>
/// <param name="Value">Fraction of sound strength, over 0 to 1: the lower of what was judged and what was
/// probed.</param>
/// <param name="ShellRatio">Sound shell over radius, 0 to 1; null when nobody probed.</param>
public readonly record struct Soundness(double Value, double? ShellRatio)
{
    /// <summary>Below this share of the radius a shell is not to be trusted with a hinge.</summary>
    public const double LeastShellRatio = 0.3;

    /// <summary>Below this fraction of sound strength the wood counts as decayed.</summary>
    public const double Decayed = 0.9;

    private const double LeastValue = 0.02;

    public static Soundness Of(TreeMembers tree) => Of(tree.Soundness, tree.Decay);

    /// <param name="judged">What somebody judged it to be, over 0 to 1.</param>
    /// <param name="probed">What a probe found; null when nobody probed.</param>
    public static Soundness Of(double judged, DecayMembers? probed)
    {
        if (probed is not { } decay)
        {
            return new(judged, null);
        }

        var ratio = Math.Min(1, 2 * decay.ShellM / decay.DiameterM);
        var hollow = 1 - ratio;
        return new(Math.Max(LeastValue, Math.Min(judged, 1 - (hollow * hollow * hollow * hollow))), ratio);
    }
}
