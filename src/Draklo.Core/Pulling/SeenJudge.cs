using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>Judges what somebody saw: anchor, foot, hinge, bark, tackle.</summary>
internal sealed class SeenJudge(FindingList findings, UnitSystem units)
{
    private const double SettlesM = 0.01;

    public void Add(PullStep now, PullSeen seen)
    {
        var last = seen.Latest;
        AddAnchor(seen);
        if (last.FootLifted == true)
        {
            findings.Stop("foot-lifted", "The foot lifts: the roots come, and no hinge guides that. Let off.");
        }

        if (last.MovedAside == true)
        {
            findings.Stop("moves-aside", "It moves aside: hold, and do not cut further. A second line or another lay.");
        }

        if (last.HingeCracked == true)
        {
            findings.Stop("hinge-cracks", "The hinge cracks early: everybody out, hold the line, nobody to the stump.");
        }

        AddRubs(last);

        if (last.GripCreptM is > 0 and { } crept)
        {
            findings.Look(
                "grip-crept",
                units.Say($"The grip crept {crept:cm}: set it again with another turn before it takes more.")
            );
        }

        if (now >= PullStep.BackCut)
        {
            return;
        }

        if (last.WoodBroke == true)
        {
            findings.Look(
                "wood-broke",
                "Small wood broke: does the line lie on the stem now? If the seat dropped, say to where."
            );
        }

        if (last.Bedded == false)
        {
            findings.Look("not-bedded", "The line is not bedded on the stem: let off, shake it in or seat it again.");
        }
    }

    /// <summary>What of a step's questions nobody has answered at it, by name.</summary>
    /// <param name="isSlack">No line is on the tree yet that could rub or pull at its anchor.</param>
    public void AddOpen(PullStep now, bool isSlack, WatchedDocument here)
    {
        var open = (isSlack ? Slack : Asked(now)).Where(q => !q.IsAnswered(here)).Select(q => q.Of).ToList();
        if (open.Count > 0)
        {
            findings.Wait("not-looked-at", $"Look at {Listed(open)}, and say so.");
        }
    }

    /// <summary>Before the back cut is finished, and before anybody pulls, the faller is out.</summary>
    public void AddFaller(PullStep now, WatchedDocument last)
    {
        if (last.FallerOut == false && now == PullStep.Pull)
        {
            findings.Stop("faller-in", "The faller is not out: nobody pulls.");
        }
        else if (last.FallerOut != true)
        {
            findings.Wait("faller-out-unknown", "The faller says when they are out.");
        }
    }

    private sealed record Question(string Of, Func<WatchedDocument, bool> IsAnswered);

    private static readonly Question Anchor = new("the anchor’s mark", s => s.AnchorMovedM is not null);
    private static readonly Question Lines = new("where a line rubs", s => s.Rubs is not null);
    private static readonly Question Aside = new("whether it moves aside", s => s.MovedAside is not null);

    private static readonly Question[] Tight =
    [
        new("how the line lies on the stem", s => s.Bedded is not null),
        new("small wood", s => s.WoodBroke is not null),
        new("the foot", s => s.FootLifted is not null),
        Anchor,
    ];

    private static readonly Question[] Slack = [Aside];

    private static readonly Question[] Cut = [Aside, new("the hinge", s => s.HingeCracked is not null), Lines, Anchor];

    private static Question[] Asked(PullStep step) =>
        step switch
        {
            PullStep.BedTest or PullStep.Floor or PullStep.Hold or PullStep.Planned => Tight,
            PullStep.Notch => [Aside, Lines],
            PullStep.BackCut => Cut,
            PullStep.Brief or PullStep.SlackOut or PullStep.Pull or PullStep.Down or PullStep.Clear => [],
        };

    private static string Listed(List<string> names) =>
        names.Count == 1 ? names[0] : $"{string.Join(", ", names.SkipLast(1))} and {names[^1]}";

    public void AddAnchor(PullSeen seen)
    {
        if (seen.Latest.AnchorMovedM is > 0 and { } moved)
        {
            var more = seen.AnchorBeforeM is { } before && moved > before;
            if (moved > SettlesM || more)
            {
                findings.Stop(
                    "anchor-stirs",
                    units.Say(
                        $"The anchor's mark has moved {moved:cm}{(more ? " and moves on" : "")}: let off and take another, or a second."
                    )
                );
            }
            else
            {
                findings.Look(
                    "anchor-settled",
                    units.Say($"The anchor's mark moved {moved:cm}: mark it again and see whether it stays.")
                );
            }
        }
    }

    public void AddRubs(WatchedDocument last)
    {
        if (last.Rubs == true)
        {
            findings.Stop("line-rubs", "A line rubs: hold, and pad it or lead it otherwise.");
        }
    }

    public void AddRigged(WatchedDocument seen)
    {
        if (seen.Rigged == false)
        {
            findings.Look("not-rigged", "Legs crossed, or no stopper: put it right before anybody hauls.");
        }
        else if (seen.Rigged is null)
        {
            findings.Wait("rigged-unknown", "Look along the tackle: legs not crossed, stopper tied?");
        }
    }
}
