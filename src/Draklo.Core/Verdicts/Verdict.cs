using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>What the plan says, in plain words.</summary>
/// <param name="State">The most serious of the reasons.</param>
/// <param name="Headline">The one thing that limits the plan.</param>
/// <param name="WeakestLinkId">The link with the highest use.</param>
/// <param name="Reasons">The most serious first.</param>
/// <param name="Caution">What always stands beside a plan.</param>
public sealed record Verdict(
    VerdictState State,
    string Headline,
    string WeakestLinkId,
    IReadOnlyList<Reason> Reasons,
    string Caution
)
{
    public const string Always =
        "Estimates, not promises: Draklo does not see the tree. Local law and codes, the makers' ratings and a trained, "
        + "insured, competent person on site decide. Walk away from decay, power lines, wind and doubt. Test it in "
        + "pre-tension, and stop when what you see differs from what is written here.";

    /// <summary>State and headline in one.</summary>
    public string Summary => $"{Word(State)}. {Headline}";

    /// <summary>What the verdict looks at, in the order in which equally serious reasons are named.</summary>
    private static readonly Action<Findings, ReasonList>[] Subjects =
    [
        LinkReasons.Add,
        HingeReasons.Add,
        PretensionReasons.Add,
        RopeReasons.Add,
        TackleReasons.Add,
        SettingReasons.Add,
        GearReasons.Add,
        TreeReasons.Add,
        SiteReasons.Add,
        WalkUpReasons.Add,
        UnknownReasons.Add,
        Remarks.Add,
    ];

    internal static Verdict Of(Findings findings)
    {
        var reasons = new ReasonList(findings.Context.Units);
        foreach (var add in Subjects)
        {
            add(findings, reasons);
        }

        var sorted = new List<Reason>(reasons.List.Count);
        for (var state = VerdictState.Stop; state >= VerdictState.Ready; state--)
        {
            for (var i = 0; i < reasons.List.Count; i++)
            {
                if (reasons.List[i].State == state)
                {
                    sorted.Add(reasons.List[i]);
                }
            }
        }

        var worst = sorted.Count > 0 ? sorted[0].State : VerdictState.Ready;
        var weakest = findings.Pull.Path.Weakest();
        var headline =
            worst == VerdictState.Ready ? LinkReasons.WeakestHolds(findings.Context, weakest) : sorted[0].Text;
        return new(worst, headline, weakest.Id, sorted, Always);
    }

    private static string Word(VerdictState state) =>
        state switch
        {
            VerdictState.Stop => "Stop",
            VerdictState.Check => "Check",
            _ => "Ready on paper",
        };
}
