using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>What is done at each step, and by whom.</summary>
internal sealed class PullWords(PullBasis basis)
{
    public string Do(PullStep step) =>
        step switch
        {
            PullStep.Brief => "Everybody hears the brief and has signed.",
            PullStep.SlackOut => "Walk the slack out.",
            PullStep.BedTest => "Test the bed with a quarter of the pull.",
            PullStep.Floor => "Bring the line up to the floor.",
            PullStep.Hold => "Hold it for two minutes.",
            PullStep.Planned => Planned < basis.PlannedN
                ? "Bring the line up to the most it may have."
                : "Bring the line up to the plan.",
            PullStep.Notch => PullSteps.IsSlack(basis.Plan, step)
                ? "Cut the notch; the line hangs slack."
                : "Cut the notch.",
            PullStep.BackCut => basis.Plan.Cut.Order == PullOrder.FollowThePull
                ? "Back cut; the line follows."
                : "Back cut to the hinge.",
            PullStep.Pull => "Everybody out. Pull.",
            PullStep.Clear => $"{basis.Loads?.Way.Name ?? "Clear"}: load by load.",
            PullStep.Down => "It is down.",
        };

    private double Planned => basis.TargetN(PullStep.Planned) ?? basis.PlannedN;

    public string Who(PullStep step)
    {
        var haulers = Haulers();
        var watcher =
            Named(JobRole.Watcher) is { Length: > 0 } w ? w
            : Named(JobRole.Lead) is { Length: > 0 } l ? l
            : "Whoever watches";
        var faller = Named(JobRole.Faller) is { Length: > 0 } f ? f : "The faller";
        return step switch
        {
            PullStep.Brief => "The lead reads it out; nobody starts without.",
            PullStep.SlackOut => basis.Plan.HasBlocks()
                ? $"{haulers}. Legs not crossed, stopper on the hauling end tied."
                : $"{haulers}. The line lies straight to what pulls it, stopper on its end tied.",
            PullStep.BedTest => $"{haulers}, gently. {watcher} looks whether the line lies on the stem.",
            PullStep.Floor => $"{haulers}, slowly. {watcher} stands aside and looks at the top.",
            PullStep.Hold =>
                $"{(basis.Plan.HasHaulers() ? "Tied off on a second holding" : "On its brake, and tied off on a second holding")}. {watcher} looks at {basis.Plan.Watched()} and the top.",
            PullStep.Planned => $"{haulers}, slowly. {watcher} looks at the top and the anchor.",
            PullStep.Notch => $"{faller}. Nobody hauls; {watcher} watches the line.",
            PullStep.BackCut => $"{faller}; wedge in as soon as it fits. {watcher} watches hinge and top.",
            PullStep.Pull =>
                $"{faller} is out and says so. {haulers}, steadily, on one sign. {watcher} calls the lean.",
            PullStep.Clear => Clearers(),
            PullStep.Down => "Nobody to the stump before it lies still. Line off, then look back.",
        };
    }

    /// <summary>Who does what while loads move, as the plan has it.</summary>
    private string Clearers() =>
        basis.Plan.Clearing?.People is { Count: > 0 } people
            ? $"{string.Join("; ", people.Select(p => $"{p.Name.Trim()}: {p.Task.Uncapitalised().TrimEnd('.')}"))}."
            : "Nobody under a load, in line with a line, or inside a turn. One calls, one hauls.";

    /// <summary>"Three haulers on the main line", or what pulls instead.</summary>
    private string Haulers()
    {
        var several = basis.Plan.Lines.Count > 1;
        return string.Join(
                "; ",
                basis.Plan.Lines.Select(l =>
                    (
                        l.Puller.Kind switch
                        {
                            PullerKind.People =>
                                $"{Sentences.Count(l.Puller.Count)} {(l.Puller.Count == 1 ? "hauler" : "haulers")}",
                            PullerKind.HandWinch => "the hand winch",
                            PullerKind.Vehicle => "the vehicle",
                            PullerKind.Machine => "the machine",
                        }
                    )
                    + By(l.Puller.Kind)
                    + (several ? $" on the {l.Id} line" : "")
                )
            )
            .Capitalised();
    }

    /// <summary>Who works what pulls instead of haulers, where somebody is named: ", by Runa".</summary>
    private string By(PullerKind kind) =>
        kind != PullerKind.People && Named(JobRole.Machine) is { Length: > 0 } name ? $", worked by {name}" : "";

    private string Named(JobRole role) =>
        string.Join(", ", basis.Plan.Crew.Where(c => c.Role == role).Select(c => c.Name.Trim()));

    /// <summary>What happens over the most that a line may have.</summary>
    public static string WhyCeiling(PullBasis basis) =>
        basis.Analysis.Pretension.LimitedBy switch
        {
            Links.Pretension.EarlyGo => "Over it the tree goes early and the stem may split.",
            Links.Pretension.ByStrap => "Over it the release strap may tear.",
            _ => "Over it a link is past what it may carry.",
        };
}
