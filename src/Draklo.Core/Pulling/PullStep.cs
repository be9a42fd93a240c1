using System.Collections.Immutable;
using Draklo.Core.Plans;

namespace Draklo.Core.Pulling;

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

/// <summary>The steps in the order of the school that the crew chose.</summary>
public static class PullSteps
{
    private static readonly PullStep[] Before =
    [
        PullStep.Brief,
        PullStep.SlackOut,
        PullStep.BedTest,
        PullStep.Floor,
        PullStep.Hold,
    ];

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
            PullOrder.TightFirst =>
            [
                .. Before,
                PullStep.Planned,
                PullStep.Notch,
                PullStep.BackCut,
                PullStep.Pull,
                PullStep.Down,
            ],
            PullOrder.FollowThePull => [.. Before, PullStep.Notch, PullStep.BackCut, PullStep.Pull, PullStep.Down],
            PullOrder.PresetHinge =>
            [
                .. Before,
                PullStep.Notch,
                PullStep.BackCut,
                PullStep.Planned,
                PullStep.Pull,
                PullStep.Down,
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

    /// <summary>Whether the line is slack at this step, so that its load cell should read nothing.</summary>
    public static bool IsSlack(this PullStep step) => step is PullStep.Brief or PullStep.SlackOut;

    /// <summary>Whether a tension is read at this step.</summary>
    public static bool IsTight(PullStep step) => step is >= PullStep.BedTest and <= PullStep.Pull;
}
