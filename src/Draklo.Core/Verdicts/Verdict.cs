using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>What the plan says, in plain words.</summary>
/// <param name="State">The most serious of the reasons.</param>
/// <param name="Headline">What would hurt first and what to do about it, or what is nearest its limit: fifteen words at most.</param>
/// <param name="WeakestLinkId">The link with the highest use.</param>
/// <param name="Reasons">The most serious first.</param>
/// <param name="Accepted">Checks that somebody took on by name; they count as met.</param>
/// <param name="Policy">The reserve and the design factors that it was judged by, and whose they are.</param>
/// <param name="Caution">What always stands beside a plan.</param>
public sealed record Verdict(
    VerdictState State,
    string Headline,
    string WeakestLinkId,
    IReadOnlyList<Reason> Reasons,
    IReadOnlyList<AcceptedReason> Accepted,
    string Policy,
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
        SiteReasons.Add,
        PeopleReasons.Add,
        LinkReasons.Add,
        HingeReasons.Add,
        CutReasons.Add,
        PretensionReasons.Add,
        RopeReasons.Add,
        TackleReasons.Add,
        SettingReasons.Add,
        GearReasons.Add,
        WornReasons.Add,
        ReadingReasons.Add,
        GuessReasons.Add,
        TreeReasons.Add,
        WindReasons.Add,
        PolicyReasons.Add,
        UnknownReasons.Add,
        WalkUpReasons.Add,
        Remarks.Add,
    ];

    internal static Verdict Of(Findings findings)
    {
        var reasons = new ReasonList(findings.Context.Units);
        foreach (var add in Subjects)
        {
            add(findings, reasons);
        }

        var accepted = new List<AcceptedReason>();
        var open = AcceptedReason.TakeOut(findings.Plan.Accepted, reasons, accepted);
        if (GuessReasons.NothingMeasured(findings))
        {
            // Checks and stops about invented figures would be read as if they meant something.
            open = open.FindAll(r => r.Code == GuessReasons.NothingMeasuredCode || StandsWithoutFigures(r));
        }

        var sorted = new List<Reason>(open.Count);
        for (var state = VerdictState.Stop; state >= VerdictState.Ready; state--)
        {
            for (var i = 0; i < open.Count; i++)
            {
                if (open[i].State == state)
                {
                    sorted.Add(open[i]);
                }
            }
        }

        var worst = sorted.Count > 0 ? sorted[0].State : VerdictState.Ready;
        var weakest = findings.Pull.Path.Weakest();
        var headline =
            worst == VerdictState.Ready
                ? LinkReasons.NearestItsLimit(findings.Context, findings.Pull.Path.Nearest())
                : HeadlineOf(
                    findings,
                    sorted.Find(r => r.Code == GuessReasons.NothingMeasuredCode && worst == VerdictState.Check)
                        ?? sorted[0]
                );
        return new(worst, headline, weakest.Id, sorted, accepted, PolicyReasons.InWords(findings.Plan.Policy), Always);
    }

    private static string HeadlineOf(Findings findings, Reason reason)
    {
        foreach (var link in findings.Pull.Path.Links)
        {
            if (link.Id == reason.LinkId)
            {
                return Headlines.Of(reason, link.Name);
            }
        }

        return Headlines.Of(reason);
    }

    /// <summary>What is true of a tree that nobody has measured: what was seen, what stands about it, whose gear it is.</summary>
    private static bool StandsWithoutFigures(Reason reason) =>
        reason.Code
            is "guess-matters"
                or "guesses-left"
                or "walk-up-open"
                or "walk-up-missing"
                or "tree-cracked"
                or "crack-lashed"
                or "tree-dead"
                or "roots-lifted"
                or "wind-not-given"
        || reason.Code.StartsWith("gear-", StringComparison.Ordinal)
        || reason.Code.StartsWith("power-line", StringComparison.Ordinal);

    /// <summary>A state as a sentence begins with it.</summary>
    public static string Word(VerdictState state) =>
        state switch
        {
            VerdictState.Stop => "Stop",
            VerdictState.Check => "Check",
            VerdictState.Ready => "Ready on paper",
        };
}
