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
        else if (last.Bedded is null)
        {
            findings.Wait("bedded-unknown", "Somebody looks whether the line is bedded on the stem.");
        }
    }

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
