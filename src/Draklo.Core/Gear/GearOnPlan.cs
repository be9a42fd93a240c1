using Draklo.Core.Plans;

namespace Draklo.Core.Gear;

/// <summary>A piece of the locker that hangs on a plan.</summary>
/// <param name="Path">The group of the plan that names it.</param>
public readonly record struct HungPiece(string ItemId, string Path);

/// <summary>Which pieces of the locker a plan uses.</summary>
public static class GearOnPlan
{
    /// <summary>Every piece with where it hangs, in the order of the document.</summary>
    public static List<HungPiece> Of(Plan plan)
    {
        var found = new List<HungPiece>();
        for (var i = 0; i < plan.Lines.Count; i++)
        {
            var line = plan.Lines[i];
            var path = $"lines[{i}]";
            Take(line.Rope.ItemId, $"{path}.rope");
            Take(line.Joined?.Rope.ItemId, $"{path}.joined.rope");
            Take(line.Tackle.Rope?.ItemId, $"{path}.tackle.rope");
            Take(line.Tackle.Grip?.ItemId, $"{path}.tackle.grip");
            Take(line.Tackle.Hold?.Grip?.ItemId, $"{path}.tackle.hold.grip");
            Take(line.Tackle.Hold?.Turns?.ItemId, $"{path}.tackle.hold.turns");
            Take(line.Tackle.Connector?.ItemId, $"{path}.tackle.connector");
            Take(line.Tackle.HardwareItemId, $"{path}.tackle");
            Take(line.Anchor.Sling?.ItemId, $"{path}.anchor.sling");
            Take(line.Limiter?.ItemId, $"{path}.limiter");
            for (var r = 0; r < line.Redirects.Count; r++)
            {
                Take(line.Redirects[r].HardwareItemId, $"{path}.redirects[{r}]");
                Take(line.Redirects[r].At.Sling?.ItemId, $"{path}.redirects[{r}].at.sling");
            }
        }

        return found;

        void Take(string? id, string path)
        {
            if (id is not null)
            {
                found.Add(new(id, path));
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
        Take(clearing.Line?.ItemId, "line");
        Take(clearing.Haul?.ItemId, "haul");
        Take(clearing.Tag?.ItemId, "tag");
        Take(clearing.LoadSling?.ItemId, "loadSling");
        Take(clearing.Carriage?.ItemId, "carriage");
        Take(clearing.Drum?.Turns.ItemId, "drum.turns");
        Block(clearing.High?.Block, "high.block");
        Take(clearing.High?.Guy?.Rope?.ItemId, "high.guy.rope");
        Block(clearing.Lead?.Block, "lead.block");
        Take(clearing.Tackle?.Rope?.ItemId, "tackle.rope");
        Take(clearing.Tackle?.HardwareItemId, "tackle");
        (SectionPointMembers?, string)[] anchors =
        [
            (clearing.Low, "low"),
            (clearing.HaulAnchor, "haulAnchor"),
            (clearing.Lead?.Anchor, "lead.anchor"),
            (clearing.Drum?.Anchor, "drum.anchor"),
            (clearing.High?.Guy?.Anchor, "high.guy.anchor"),
        ];
        foreach (var (anchor, path) in anchors)
        {
            Take(anchor?.Sling?.ItemId, $"{path}.sling");
        }

        for (var i = 0; i < clearing.Points?.Points.Count; i++)
        {
            Block(clearing.Points.Points[i].Block, $"points.points[{i}].block");
        }

        return found;

        void Block(RigBlockMembers? block, string path)
        {
            Take(block?.ItemId, path);
            Take(block?.Sling?.ItemId, $"{path}.sling");
        }

        void Take(string? id, string path)
        {
            if (id is not null)
            {
                found.Add(new(id, $"clearing.{path}"));
            }
        }
    }
}
