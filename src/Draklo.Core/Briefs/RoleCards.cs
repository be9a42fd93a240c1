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
                    Watch(g.Key, words),
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
            JobRole.Hauler =>
            [
                "Out of line with the rope, gloves on, nothing wound round a hand.",
                $"Each about {words.Each}, steadily; {words.Haul} of rope comes in.",
                .. plan.Lines.Any(l => l.Tackle.Hold is not null || l.Tackle.Capture is not null)
                    ? new[]
                    {
                        "When the blocks meet: hold the line first, then open the tackle. Fingers out of the cam.",
                    }
                    : [],
            ],
            JobRole.Machine => ["Aside of the line's band. Hand on the tail of the drum, not on a running rope."],
            JobRole.Watcher => ["Square to the lay, with the top in sight, outside every band."],
            JobRole.Road => ["At the closed end, facing who comes. Nobody passes while the line is loaded."],
            JobRole.Climber => ["Out of the tree and off its ground before the line is loaded."],
            JobRole.Learner => ["Beside somebody who has done it. Ask before you walk."],
            JobRole.Lead => ["Where you see the faller, the haulers and the top."],
        };

    private static string[] Watch(JobRole role, BriefWords words) =>
        role switch
        {
            JobRole.Faller => ["The cut, the hinge, the top; the wedge stays in.", "The lead's sign for every step."],
            JobRole.Hauler or JobRole.Machine =>
            [
                "The lead, and only the lead, for when to pull and when to hold.",
                "The anchor, the grip, the blocks.",
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
