using System.Collections.Immutable;

namespace Draklo.Core.Plans;

/// <summary>A step of the day, from the signed brief to the tree on the ground and its pieces moved.</summary>
public enum PullStep
{
    Brief,
    SlackOut,
    BedTest,
    Floor,
    Hold,
    Planned,
    Notch,
    BackCut,
    Pull,
    Down,

    /// <summary>The pieces are moved: last, or all there is where nothing is pulled.</summary>
    Clear,
}

/// <summary>The steps in the order of the school that the crew chose: brief, cards, day and clock read this one list.</summary>
public static class PullSteps
{
    private static readonly PullStep[] Ready = [PullStep.Brief, PullStep.SlackOut];
    private static readonly PullStep[] Tighten = [PullStep.BedTest, PullStep.Floor, PullStep.Hold];
    private static readonly PullStep[] Fall = [PullStep.Pull, PullStep.Down];

    public static ImmutableArray<PullStep> Of(Plan plan) =>
        plan.Clearing switch
        {
            null => Of(plan.Cut.Order),
            { Alone: true } => [PullStep.Brief, PullStep.Clear],
            _ => [.. Of(plan.Cut.Order), PullStep.Clear],
        };

    private static ImmutableArray<PullStep> Of(PullOrder order) =>
        order switch
        {
            PullOrder.TightFirst => [.. Ready, .. Tighten, PullStep.Planned, PullStep.Notch, PullStep.BackCut, .. Fall],
            PullOrder.NotchFirst => [.. Ready, PullStep.Notch, .. Tighten, PullStep.Planned, PullStep.BackCut, .. Fall],
            PullOrder.FollowThePull => [.. Ready, .. Tighten, PullStep.Notch, PullStep.BackCut, .. Fall],
            PullOrder.PresetHinge =>
            [
                .. Ready,
                .. Tighten,
                PullStep.Notch,
                PullStep.BackCut,
                PullStep.Planned,
                .. Fall,
            ],
        };

    /// <summary>What it is called on the tape and in words.</summary>
    public static string NameOf(PullStep step) =>
        step switch
        {
            PullStep.SlackOut => "slack out",
            PullStep.BedTest => "bed test",
            PullStep.BackCut => "back cut",
            _ => $"{step}".ToLowerInvariant(),
        };

    /// <summary>Whether the line is slack at this step of the plan, so that its load cell should read nothing.</summary>
    public static bool IsSlack(Plan plan, PullStep step) =>
        step == PullStep.Brief || ComesBefore(Of(plan), step, PullStep.BedTest);

    /// <summary>Whether a tension is read at this step of the plan.</summary>
    public static bool IsTight(Plan plan, PullStep step) => step < PullStep.Down && !IsSlack(plan, step);

    /// <summary>Whether a plan's notch is cut while the line is slack.</summary>
    public static bool NotchIsCutSlack(PullOrder order) => ComesBefore(Of(order), PullStep.Notch, PullStep.BedTest);

    /// <summary>Whether the planned tension is on the line while the back cut is made.</summary>
    public static bool CutsUnderThePlan(PullOrder order) => ComesBefore(Of(order), PullStep.Planned, PullStep.BackCut);

    private static bool ComesBefore(ImmutableArray<PullStep> order, PullStep step, PullStep other) =>
        order.IndexOf(step) is >= 0 and var at && at < order.IndexOf(other);
}
