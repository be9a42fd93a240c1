using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>What was seen and measured on the tree.</summary>
internal static class TreeReasons
{
    private const double LeastSoundness = 0.5;
    private const double BreastHeightM = 1.3;
    private const double MeasuredAlike = 1.02;

    /// <summary>A crack is lashed over and under it.</summary>
    private const int AboveAndBelow = 2;

    public static void Add(Findings findings, ReasonList reasons)
    {
        AddCondition(findings, reasons);
        if (findings.Measured.Lean is { OneView: true })
        {
            reasons.Check(
                "lean-one-view",
                "The lean was seen from one side only: a tree that looks upright from the front can lean hard away. Look again a quarter turn round.",
                "readings.leanViews"
            );
        }

        AddSoundness(findings, reasons);
        AddDiameters(findings, reasons);
    }

    /// <summary>A stem is thicker where it is cut than at breast height above it.</summary>
    private static void AddDiameters(Findings findings, ReasonList reasons)
    {
        var (breast, stump) = (findings.Plan.Tree.DbhM, findings.Plan.Cut.StumpDiameterM);
        if (breast > stump * MeasuredAlike && findings.Plan.Cut.StumpHeightM < BreastHeightM)
        {
            reasons.Check(
                "stump-thinner",
                $"The stem is {breast:cm} thick at breast height and {stump:cm} where it is cut below: one of the two is wrong. Measure again.",
                "cut.stumpDiameterM",
                null,
                ("breastM", breast),
                ("stumpM", stump)
            );
        }
    }

    private static void AddCondition(Findings findings, ReasonList reasons)
    {
        var condition = findings.Plan.Tree.Condition;
        if (condition.Cracked)
        {
            var lashings = findings.Plan.Cut.Lashings.Count;
            var judge = condition.CrackJudgedBy?.Trim() ?? "";
            if (judge.Length > 0 && lashings >= AboveAndBelow)
            {
                reasons.Check(
                    "crack-lashed",
                    $"The stem or a fork is cracked. It is lashed, and {judge} answers for it: the sums know nothing of a crack. Watch it while the line comes up.",
                    "tree.condition.crackJudgedBy"
                );
            }
            else
            {
                reasons.Stop(
                    "tree-cracked",
                    "The stem or a fork is cracked: it may part under the pull. Lash it above and below the crack and have somebody competent judge it, or take it down another way.",
                    judge.Length > 0 ? "cut.lashings" : "tree.condition.crackJudgedBy"
                );
            }
        }

        if (condition.Dead)
        {
            reasons.Check(
                "tree-dead",
                "The tree is dead: its wood breaks short, its hinge holds little and branches fall when the line shakes it. Keep out from under it and expect a brittle hinge.",
                "tree.condition.dead"
            );
        }

        if (condition.RootsLifted)
        {
            reasons.Check(
                "roots-lifted",
                "Roots are lifted, cut or rotten: the tree may come over roots and all before the hinge is cut, and then nothing guides it.",
                "tree.condition.rootsLifted"
            );
        }

        if (findings.Context.Tree.Soundness.ShellRatio is { } shell && shell < Soundness.LeastShellRatio)
        {
            reasons.Stop(
                "shell-thin",
                $"The sound shell is {shell:%} of the radius, under {Soundness.LeastShellRatio:%}: it folds or splits before it bends, and there is no wood for a hinge. Take it down another way.",
                "tree.decay.shellM",
                null,
                ("shellRatio", shell)
            );
        }
    }

    private static void AddSoundness(Findings findings, ReasonList reasons)
    {
        var sound = findings.Context.Tree.Soundness.Value;
        if (sound < LeastSoundness)
        {
            reasons.Stop(
                "soundness-too-low",
                $"The wood is put at {sound:%} of sound strength: too rotten to trust a hinge or a seat; take it down another way.",
                "tree.soundness",
                null,
                ("soundness", sound)
            );
        }
        else if (sound < Soundness.Decayed)
        {
            reasons.Check(
                "soundness-reduced",
                $"The wood is put at {sound:%} of sound strength: look where the rot stands, at the hinge and at the seat.",
                "tree.soundness",
                null,
                ("soundness", sound)
            );
        }
    }
}
