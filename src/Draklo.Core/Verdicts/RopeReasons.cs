using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Whether the rope of each line reaches, where its joint lies, and which way it runs.</summary>
internal static class RopeReasons
{
    private const string TapeKnot = "water-knot";
    private const double SteepDeg = 50;
    private const double TackleRoom = 6;
    private const double AsideOfLayDeg = 20;

    public static void Add(Findings findings, ReasonList reasons)
    {
        for (var n = 0; n < findings.Lines.Count; n++)
        {
            var line = findings.Plan.Lines[n];
            var path = $"lines[{n}]";
            AddLength(line, findings.Lines[n], path, reasons);
            AddJoint(line, findings.Lines[n], path, reasons);
            AddDirection(findings, n, path, reasons);
            AddBark(line, path, reasons);
        }
    }

    private static void AddLength(LineMembers line, LineResult result, string path, ReasonList reasons)
    {
        var owned = RopeNeeded.Owned(line);
        // A tackle with a rope of its own spans the last of the run.
        var own = line.Tackle.Rope is not null && result.Tackle.SpaceM > 0;
        var run = result.RunM - (own ? result.Tackle.SpaceM : 0);
        if (owned < run)
        {
            reasons.Stop(
                "rope-too-short",
                $"The rope of the {line.Id} line is {owned:m} and its run alone is {run:m}: take a longer rope or a nearer anchor.",
                $"{path}.rope.lengthM",
                null,
                ("lengthM", owned),
                ("runM", run)
            );
        }
        else if (owned < result.RopeNeededM)
        {
            reasons.Check(
                "rope-short-for-setting",
                $"The rope of the {line.Id} line is {owned:m} and setting it takes {result.RopeNeededM:m+}, up to the seat, {(line.Tie == TieKind.Base ? "down to the foot, " : "")}out to the {(own ? "opened tackle" : "anchor")} and a tail: take a longer one, or join two and allow for the knot.",
                $"{path}.rope.lengthM",
                null,
                ("lengthM", owned),
                ("neededM", result.RopeNeededM)
            );
        }
    }

    private static void AddJoint(LineMembers line, LineResult result, string path, ReasonList reasons)
    {
        if (result.JointAtM is not { } joint)
        {
            return;
        }

        path = $"{path}.joined";
        if (line.Joined!.KnotId == TapeKnot)
        {
            reasons.Check(
                "joined-by-tape-knot",
                $"A water knot is for tape and cord: join the ropes of the {line.Id} line with a figure-eight bend, two loops through each other, or a connector between two eyes.",
                $"{path}.knotId"
            );
        }

        switch (RopeJoint.Obstacle(line, result))
        {
            case { Turn: < 0 }:
                reasons.Stop(
                    "joint-in-union",
                    $"The first rope of the {line.Id} line, {line.Rope.LengthM:m}, does not come over the seat: the knot would lie in the union. Take the longer rope first.",
                    path,
                    null,
                    ("lengthM", line.Rope.LengthM)
                );
                break;
            case { } meets:
                reasons.Stop(
                    "joint-meets-redirect",
                    $"The knot that joins the ropes of the {line.Id} line lies {joint:m} from the seat and would have to pass the redirect at {meets.AlongM:m} within the take-up of {result.TakeUpM:m}: a knot passes no block. Change which rope goes first, or move the redirect.",
                    path,
                    null,
                    ("jointM", joint),
                    ("redirectM", meets.AlongM),
                    ("takeUpM", result.TakeUpM)
                );
                break;
            case null when joint < result.RunM && joint + result.TakeUpM > result.RunM - TackleRoom:
                reasons.Check(
                    "joint-near-anchor",
                    $"The knot that joins the ropes of the {line.Id} line comes within a tackle's length of the anchor, {joint:m} along a run of {result.RunM:m}: set the tackle on the second rope, or turn the ropes round.",
                    path,
                    null,
                    ("jointM", joint),
                    ("runM", result.RunM)
                );
                break;
        }
    }

    /// <summary>A rope whose cover carries the load does not run over bark.</summary>
    private static void AddBark(LineMembers line, string path, ReasonList reasons)
    {
        var overBark =
            line.Tie == TieKind.Base
            || line.Seat.On != SeatKind.Stem
            || line.Redirects.Any(r => Reference.Contacts[r.ContactId].BuiltOf == "bark");
        if (
            overBark
            && line.Rope.ConstructionId is { } id
            && Reference.Constructions[id] is { OverBark: "poor" } construction
        )
        {
            reasons.Check(
                "rope-over-bark",
                $"{construction.Name} runs over bark on the {line.Id} line: its cover wears through there. Use a rope made for bark, or tie it at the tip.",
                $"{path}.rope.constructionId"
            );
        }
    }

    private static void AddDirection(Findings findings, int index, string path, ReasonList reasons)
    {
        var (line, result) = (findings.Plan.Lines[index], findings.Lines[index]);
        var height = findings.Plan.Tree.HeightM;
        var below = result.AngleBelowHorizontalDeg;
        if (below > SteepDeg)
        {
            reasons.Check(
                "line-steep",
                $"The {line.Id} line runs {below:deg} down: only {result.TipsFraction:%} of its pull tips the tree, the rest presses down the stem.",
                line.Redirects.Count > 0 ? $"{path}.redirects[0].at.distanceM" : $"{path}.anchor.distanceM",
                null,
                ("belowHorizontalDeg", below),
                ("tipsFraction", result.TipsFraction)
            );
        }

        if (line.Anchor.DistanceM < height)
        {
            reasons.Check(
                "anchor-within-reach",
                $"The {line.Id} line's anchor stands {line.Anchor.DistanceM:m} out, within the tree's height of {height:m}: the tree can reach it and whoever is near.",
                $"{path}.anchor.distanceM",
                null,
                ("distanceM", line.Anchor.DistanceM),
                ("heightM", height)
            );
        }

        for (var i = 0; i < line.Redirects.Count; i++)
        {
            var at = line.Redirects[i].At;
            var off = Math.Abs(Angle.Between(findings.Plan.Lay.BearingDeg, at.BearingDeg));
            if (at.DistanceM < height && off < AsideOfLayDeg)
            {
                reasons.Check(
                    "redirect-in-the-lay",
                    $"A redirect of the {line.Id} line hangs {at.DistanceM:m} out in the lay: the tree falls on it and jerks the line. Set it aside of the lay or beyond the top.",
                    $"{path}.redirects[{i}].at.distanceM",
                    null,
                    ("distanceM", at.DistanceM),
                    ("offLayDeg", off)
                );
            }
        }
    }
}
