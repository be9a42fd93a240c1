using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>A card for each role that somebody has on this job.</summary>
internal static class RoleCards
{
    public static IReadOnlyList<RoleCard> Of(Plan plan, IReadOnlyList<BriefPerson> people, BriefWords words) =>
        [
            .. people
                .GroupBy(p => p.Role)
                .OrderBy(g => g.Key)
                .Select(g => new RoleCard(
                    g.Key,
                    [.. g.Select(p => p.Name)],
                    [
                        .. g.Select(p => g.Count() > 1 ? $"{p.Name}: {p.Stands}." : $"{Up(p.Stands)}."),
                        .. Stand(plan, g.Key, words),
                    ],
                    Watch(plan, g.Key, words),
                    Shout(g.Key, words),
                    OrderOf(plan)
                )),
        ];

    private static string OrderOf(Plan plan) =>
        $"{string.Join(", ", PullSteps.Of(plan).Select(PullSteps.NameOf)).Capitalised()}.";

    private static string Up(string text) => text.Capitalised();

    private static string[] Stand(Plan plan, JobRole role, BriefWords words) =>
        role switch
        {
            JobRole.Faller =>
            [
                $"At the stump while you cut; then out by the {words.WayOut()}, before anybody pulls.",
                "Never back to the stump while the line is loaded.",
            ],
            JobRole.Hauler => [.. plan.HasHaulers() ? Haul(words) : AtTheMachine(plan, words), .. AtBlocks(plan)],
            JobRole.Machine => [.. AtTheMachine(plan, words), .. AtBlocks(plan)],
            JobRole.Watcher => ["Square to the lay, with the top in sight, outside every band."],
            JobRole.Road => ["At the closed end, facing who comes. Nobody passes while the line is loaded."],
            JobRole.Climber => ["Out of the tree and off its ground before the line is loaded."],
            JobRole.Learner => ["Beside somebody who has done it. Ask before you walk."],
            JobRole.Lead =>
            [
                $"Where you see the faller, the {(plan.HasHaulers() ? "haulers" : NameOf(Machine(plan)))} and the top.",
            ],
        };

    private static string[] Haul(BriefWords words) =>
        [
            "Out of line with the rope, gloves on, nothing wound round a hand.",
            $"Each about {words.Each}, steadily; {words.Haul} of rope comes in.",
        ];

    /// <summary>What whoever works a winch, a machine or a vehicle does, which pulls what the page says and no more.</summary>
    private static string[] AtTheMachine(Plan plan, BriefWords words)
    {
        var pulls = $"{words.Pull} on its rope; {words.Haul} comes in.";
        return
        [
            .. Machine(plan) switch
            {
                PullerKind.HandWinch => new[]
                {
                    "At the handle, aside of the line, gloves on; nobody in front of the winch or behind it.",
                    $"Stroke by stroke, about {pulls} If the handle asks more, stop.",
                    "Know before you load it how it lets off, a hand's width at a time.",
                },
                PullerKind.Vehicle =>
                [
                    "In the cab, belt on, windows shut; nobody else in it, nobody near it.",
                    $"Lowest gear, from a tight line, about {pulls} No jerk; stop when the wheels slip.",
                ],
                _ => ["At the controls, aside of the line's band.", $"Slowly, about {pulls}"],
            },
            .. plan.Lines.Any(l => l.Limiter is not null)
                ? new[] { "Hand on the tail of the drum, not on a running rope." }
                : [],
        ];
    }

    private static string[] AtBlocks(Plan plan) =>
        plan.Lines.Any(l => l.Tackle.Hold is not null || l.Tackle.Capture is not null)
            ? ["When the blocks meet: hold the line first, then open the tackle. Fingers out of the cam."]
            : [];

    /// <summary>What pulls where nobody hauls by hand; a winch where the plan has none, to be looked after all the same.</summary>
    private static PullerKind Machine(Plan plan) =>
        plan.Lines.Select(l => l.Puller.Kind).FirstOrDefault(k => k != PullerKind.People, PullerKind.Machine);

    private static string NameOf(PullerKind kind) =>
        kind switch
        {
            PullerKind.HandWinch => "winch",
            PullerKind.Vehicle => "vehicle",
            PullerKind.Machine or PullerKind.People => "machine",
        };

    private static string[] Watch(Plan plan, JobRole role, BriefWords words) =>
        role switch
        {
            JobRole.Faller => ["The cut, the hinge, the top; the wedge stays in.", "The lead's sign for every step."],
            JobRole.Hauler or JobRole.Machine =>
            [
                "The lead, and only the lead, for when to pull and when to hold.",
                $"{plan.Watched().Capitalised()}.",
            ],
            JobRole.Watcher =>
            [
                $"The seat: at the floor it should come {words.SeatAtFloorInWords}.",
                "The top, dead wood, the hinge, the anchor's foot.",
                .. words.Gust.Length > 0 ? new[] { $"The wind: gusts over {words.Gust} stop work." } : [],
            ],
            JobRole.Road => ["The road or path both ways, and the lead."],
            JobRole.Lead or JobRole.Climber or JobRole.Learner => ["Everybody's place; the wind; the top."],
        };

    private static string[] Shout(JobRole role, BriefWords words) =>
        role switch
        {
            JobRole.Faller => ["Before the last of the back cut, and when you are out."],
            JobRole.Hauler or JobRole.Machine =>
            [
                "It comes too easily or not at all; the anchor stirs; a line rubs.",
                $"{words.Haul} is in and the tree has not gone.",
            ],
            JobRole.Watcher =>
            [
                "It moves aside, it moves more than told, anything breaks or falls.",
                $"It leans {words.Commit}: from there it goes by itself.",
            ],
            JobRole.Road => ["Somebody does not stop."],
            JobRole.Lead or JobRole.Climber or JobRole.Learner =>
            [
                "Stop, at anything on the stop list. Nobody asks why.",
            ],
        };
}
