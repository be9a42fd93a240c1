using Draklo.Core.Plans;

namespace Draklo.Core.Gear;

/// <summary>A piece of the locker that hangs on a plan.</summary>
/// <param name="Path">The group of the plan that names it.</param>
/// <param name="LinkId">The clearing's link that it is; empty for a piece of the pull.</param>
public readonly record struct HungPiece(string ItemId, string Path, string LinkId = "")
{
    /// <summary>What the plan says it breaks at, N; null where it says nothing.</summary>
    public double? StrengthN { get; init; }

    /// <summary>How long the plan says it is, m; null where it says nothing.</summary>
    public double? LengthM { get; init; }
}

/// <summary>Which pieces of the locker a plan uses.</summary>
public static class GearOnPlan
{
    /// <summary>The path of the line that carries.</summary>
    public const string Line = "clearing.line";

    /// <summary>Every piece with where it hangs, in the order of the document.</summary>
    public static List<HungPiece> Of(Plan plan)
    {
        var found = new List<HungPiece>();
        for (var i = 0; i < plan.Lines.Count; i++)
        {
            var line = plan.Lines[i];
            var path = $"lines[{i}]";
            Rope(line.Rope, $"{path}.rope");
            Rope(line.Joined?.Rope, $"{path}.joined.rope");
            Take(
                line.Tackle.Rope?.ItemId,
                $"{path}.tackle.rope",
                line.Tackle.Rope?.BreakingStrengthN,
                line.Tackle.Rope?.LengthM
            );
            Take(line.Tackle.Grip?.ItemId, $"{path}.tackle.grip", line.Tackle.Grip?.CordStrengthN);
            Take(line.Tackle.Hold?.Grip?.ItemId, $"{path}.tackle.hold.grip", line.Tackle.Hold?.Grip?.CordStrengthN);
            Take(line.Tackle.Hold?.Turns?.ItemId, $"{path}.tackle.hold.turns");
            Take(line.Tackle.Connector?.ItemId, $"{path}.tackle.connector", line.Tackle.Connector?.StrengthN);
            Take(line.Tackle.HardwareItemId, $"{path}.tackle", line.Tackle.HardwareStrengthN);
            Sling(line.Anchor.Sling, $"{path}.anchor.sling");
            Sling(line.Puller.Anchor?.Sling, $"{path}.puller.anchor.sling");
            Take(line.Limiter?.ItemId, $"{path}.limiter");
            for (var r = 0; r < line.Redirects.Count; r++)
            {
                Take(line.Redirects[r].HardwareItemId, $"{path}.redirects[{r}]", line.Redirects[r].HardwareStrengthN);
                Sling(line.Redirects[r].At.Sling, $"{path}.redirects[{r}].at.sling");
            }
        }

        return found;

        void Rope(RopeMembers? rope, string path) => Take(rope?.ItemId, path, rope?.BreakingStrengthN, rope?.LengthM);

        void Sling(SlingMembers? sling, string path) => Take(sling?.ItemId, path, sling?.BreakingStrengthN);

        void Take(string? id, string path, double? strength = null, double? length = null)
        {
            if (id is not null)
            {
                found.Add(new(id, path) { StrengthN = strength, LengthM = length });
            }
        }
    }

    /// <summary>Every piece of the pull and of the clearing.</summary>
    public static IEnumerable<HungPiece> All(Plan plan) =>
        plan.Clearing is { } clearing ? Of(plan).Concat(OfClearing(clearing)) : Of(plan);

    /// <summary>Every piece that the plan's clearing uses.</summary>
    public static List<HungPiece> OfClearing(ClearingMembers clearing)
    {
        var found = new List<HungPiece>();
        Take(clearing.Line?.ItemId, "line", "line");
        Take(clearing.Haul?.ItemId, "haul", "haul");
        Take(clearing.Tag?.ItemId, "tag", "tag");
        Take(clearing.LoadSling?.ItemId, "loadSling", "load-sling");
        Take(clearing.Carriage?.ItemId, "carriage", "carriage");
        Take(clearing.Drum?.Turns.ItemId, "drum.turns", "drum");
        Block(clearing.High?.Block, "high.block", "block");
        Take(clearing.High?.Guy?.Rope?.ItemId, "high.guy.rope", "guy");
        Block(clearing.Catch?.Block, "catch.block", "piece-block");
        Take(clearing.Catch?.EndSling?.ItemId, "catch.endSling", "end-sling");
        Block(clearing.Lead?.Block, "lead.block", "lead");
        Take(clearing.Tackle?.Rope?.ItemId, "tackle.rope", "hands");
        Take(clearing.Tackle?.HardwareItemId, "tackle", "tackle-blocks");
        Take(clearing.Low?.Sling?.ItemId, "low.sling", "low-sling");
        Take(clearing.HaulAnchor?.Sling?.ItemId, "haulAnchor.sling", "haul-anchor-sling");
        Take(clearing.Lead?.Anchor.Sling?.ItemId, "lead.anchor.sling", "lead-anchor-sling");
        Take(clearing.Drum?.Anchor?.Sling?.ItemId, "drum.anchor.sling", "drum-anchor-sling");
        Take(clearing.High?.Guy?.Anchor.Sling?.ItemId, "high.guy.anchor.sling", "guy-anchor-sling");
        for (var i = 0; i < clearing.Points?.Points.Count; i++)
        {
            Block(clearing.Points.Points[i].Block, $"points.points[{i}].block", $"point-{i + 1}");
        }

        return found;

        void Block(RigBlockMembers? block, string path, string link)
        {
            Take(block?.ItemId, path, link);
            Take(block?.Sling?.ItemId, $"{path}.sling", $"{link}-sling");
        }

        void Take(string? id, string path, string link)
        {
            if (id is not null)
            {
                found.Add(new(id, $"clearing.{path}", link));
            }
        }
    }
}
