using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Sites;

/// <summary>What is to be said of a target near the fall.</summary>
/// <remarks>Method M17.</remarks>
/// <param name="reachM">Nobody stays within this during cutting.</param>
internal sealed class TargetJudge(UnitSystem units, double reachM)
{
    private readonly ReasonList reasons = new(units);

    /// <summary>Under this a miss is too close, metres.</summary>
    public const double SmallClearance = 1;

    /// <param name="index">Of the target in the plan.</param>
    /// <param name="clearance">Between the footprint and the target, metres; 0 when they overlap.</param>
    /// <param name="away">Between the stump and the target, metres.</param>
    /// <param name="inBand">Whether it lies where a parted line flies.</param>
    public Reason Of(TargetShape shape, double clearance, double away, bool inBand, int index)
    {
        // Nobody lays a tree to the centimetre.
        clearance = clearance <= 0 ? 0 : Math.Max(0.1, Math.Round(clearance, 1));
        var name = shape.Name.Capitalised();
        var before = reasons.List.Count;
        switch (shape.Target.Kind)
        {
            case TargetKind.PowerLine:
                OfPowerLine(shape, name, clearance, away, inBand, index);
                break;
            case TargetKind.People:
                OfPeople(name, clearance, away, inBand, index);
                break;
            default:
                OfThing(name, clearance, shape.Target.MayBeHit, index);
                OfRoad(shape, name, clearance, inBand, index);
                break;
        }

        if (reasons.List.Count == before)
        {
            reasons.Remark("target-missed", $"{name} is missed by {clearance:m}.");
        }

        // The most serious of what is said of it.
        var worst = reasons.List[before];
        for (var i = before + 1; i < reasons.List.Count; i++)
        {
            worst = reasons.List[i].State > worst.State ? reasons.List[i] : worst;
        }

        return worst;
    }

    /// <summary>
    /// One within two heights, or under a line, a band or people, is a stop until the utility has spoken.
    /// </summary>
    private void OfPowerLine(TargetShape shape, string name, double clearance, double away, bool crossed, int index)
    {
        var word = shape.Target.UtilityWord is { } said && !string.IsNullOrWhiteSpace(said.By) ? said : null;
        if (clearance <= 0 && !(word is not null && shape.Target.MayBeHit))
        {
            reasons.Stop(
                "power-line-under-fall",
                $"{name}: the tree would fall on it. Nobody cuts: call the utility and have it switched off, earthed or taken down, or lay the tree elsewhere.",
                PathOf(index)
            );
        }
        else if (word is null && crossed)
        {
            reasons.Stop(
                "power-line-crossed",
                $"{name} is crossed by a loaded line, by where one flies when it parts, or by people: nobody sets a line until the utility has spoken. Enter who said what, and when.",
                $"{PathOf(index)}.utilityWord",
                null,
                ("awayM", away)
            );
        }
        else if (word is null && away < reachM)
        {
            reasons.Stop(
                "power-line-near",
                $"{name} is {away:m} from the stump, within two heights, {reachM:m}: it misses this lay by {clearance:m}, but a tree that goes wrong, its top or a thrown line reaches it. Call the utility and enter who said what, and when.",
                $"{PathOf(index)}.utilityWord",
                null,
                ("awayM", away),
                ("clearanceM", clearance)
            );
        }
        else if (word is not null)
        {
            reasons.Remark(
                "power-line-answered",
                $"{name}: {word.By} of the utility has spoken. Keep to what was said.",
                PathOf(index)
            );
        }
    }

    private void OfPeople(string name, double clearance, double away, bool inBand, int index)
    {
        if (clearance <= 0)
        {
            reasons.Stop(
                "people-under-fall",
                $"{name} lies where the tree falls: clear it of people and keep them out.",
                PathOf(index)
            );
        }
        else if (inBand)
        {
            reasons.Stop(
                "people-in-snap-back",
                $"{name} lies where a parted line would fly or inside its turn: keep people out of it while the line is loaded.",
                PathOf(index)
            );
        }
        else if (away < reachM)
        {
            reasons.Check(
                "people-within-reach",
                $"{name} is {away:m} from the stump: nobody stays within twice the height, {reachM:m}, during cutting.",
                PathOf(index),
                null,
                ("awayM", away),
                ("reachM", reachM)
            );
        }
    }

    private void OfThing(string name, double clearance, bool mayBeHit, int index)
    {
        if (clearance <= 0 && mayBeHit)
        {
            reasons.Remark("target-may-be-hit", $"{name} is hit, and its owner accepts that.", PathOf(index));
        }
        else if (clearance <= 0)
        {
            reasons.Stop(
                "target-under-fall",
                $"{name} lies under the falling tree: turn the lay, or mark it as one that may be hit.",
                PathOf(index)
            );
        }
        else if (clearance < SmallClearance)
        {
            reasons.Check(
                "target-close",
                $"{name} is missed by only {clearance:m} if the lay is off by the whole aiming error.",
                PathOf(index),
                null,
                ("clearanceM", clearance)
            );
        }
    }

    /// <summary>A road or path under a loaded line or the fall stays open to others until somebody closes it.</summary>
    private void OfRoad(TargetShape shape, string name, double clearance, bool inBand, int index)
    {
        if (
            shape.Target.Kind is TargetKind.Road or TargetKind.Path
            && (clearance <= 0 || inBand)
            && string.IsNullOrWhiteSpace(shape.Target.Closing?.By)
        )
        {
            reasons.Check(
                "road-open",
                $"{name} runs {(clearance <= 0 ? "under the fall" : "under a loaded line or where one flies")}: say who keeps it closed meanwhile.",
                $"{PathOf(index)}.closing"
            );
        }
    }

    private static string PathOf(int index) => $"site.targets[{index}]";
}
