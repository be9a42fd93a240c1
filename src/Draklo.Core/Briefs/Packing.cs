using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>A piece to take along.</summary>
/// <param name="Key">Its id in the locker, or where it stands on the plan; ticks are kept under it.</param>
/// <param name="Tag">What is painted on it; empty for what has no tag.</param>
/// <param name="Trouble">Why it must not come along, as when it was retired since the plan was made; empty for a piece
/// that is fine.</param>
public sealed record PackedPiece(string Key, string Name, string Tag, int Count, string Trouble);

/// <summary>What a plan takes out of the yard.</summary>
public static class Packing
{
    private const int UsualWedges = 3;

    /// <param name="locker">Pieces of the locker by id.</param>
    public static IReadOnlyList<PackedPiece> Of(
        Plan plan,
        IReadOnlyDictionary<string, GearItem> locker,
        UnitSystem units
    )
    {
        var list = new PackingList(locker);
        if (plan.Clearing is { } clearing)
        {
            AddClearing(list, clearing, units);
        }

        var pulls = plan.Clearing is not { Alone: true };
        for (var i = 0; pulls && i < plan.Lines.Count; i++)
        {
            AddLine(
                list,
                plan.Lines[i],
                $"lines[{i}]",
                plan.Lines.Count > 1 ? $", {plan.Lines[i].Id} line" : "",
                units
            );
        }

        if (pulls)
        {
            list.Add(null, "cut.wedges", "Wedges and something to drive them", UsualWedges);
        }

        if (pulls && Wood.Of(plan.Tree).Splits == SplitTendency.High)
        {
            list.Add(null, "cut.straps", "Straps against splitting", 2);
        }

        list.Add(null, "saw", "Saw, fuel, bar wrench, spare chain");
        list.Add(
            null,
            "first-aid",
            string.IsNullOrWhiteSpace(plan.Help.KitAt)
                ? "First aid kit, tourniquet"
                : $"First aid kit: {plan.Help.KitAt}"
        );
        return list.Pieces;
    }

    /// <summary>What the chosen way takes along; slings and blocks where the plan names them.</summary>
    private static void AddClearing(PackingList list, ClearingMembers clearing, UnitSystem units)
    {
        Rope(clearing.Line, "line", "Rope that carries");
        Rope(clearing.Haul, "haul", "Hauling line");
        Rope(clearing.Tag, "tag", "Tag line");
        Rope(clearing.High?.Guy?.Rope, "high.guy.rope", "Guy");
        Block(clearing.High?.Block, "high.block", "Block up high");
        Block(clearing.Lead?.Block, "lead.block", "Lead block");
        if (clearing.Catch is { Parts: 2 } twoParts)
        {
            Block(twoParts.Block, "catch.block", "Block on the piece");
            Sling(twoParts.EndSling, "catch.endSling", "Sling, rope's end");
        }

        Sling(clearing.LoadSling, "loadSling", "Sling for the load");
        Sling(clearing.Low?.Sling, "low.sling", "Sling, low anchor");
        Sling(clearing.High?.Guy?.Anchor.Sling, "high.guy.anchor.sling", "Sling, guy's anchor");
        Sling(clearing.Drum?.Anchor?.Sling, "drum.anchor.sling", "Sling, drum");
        Sling(clearing.HaulAnchor?.Sling, "haulAnchor.sling", "Sling, hauler's anchor");
        if (clearing.Carriage is { } carriage)
        {
            list.Add(carriage.ItemId, "clearing.carriage", "Carriage");
        }

        if (clearing.Drum is { } drum)
        {
            list.Add(drum.Turns.ItemId, "clearing.drum", $"Drum for {Sentences.Count(drum.Turns.Turns)} turns");
        }

        for (var i = 0; i < clearing.Points?.Points.Count; i++)
        {
            Block(clearing.Points.Points[i].Block, $"points.points[{i}].block", clearing.Points.Points[i].Name);
        }

        void Rope(RopeMembers? rope, string path, string name)
        {
            if (rope is not null)
            {
                list.Add(rope.ItemId, $"clearing.{path}", units.Say($"{name} {rope.LengthM:m}, {rope.DiameterM:mm}"));
            }
        }

        void Block(RigBlockMembers? block, string path, string name)
        {
            if (block is not null)
            {
                list.Add(block.ItemId, $"clearing.{path}", name);
                Sling(block.Sling, $"{path}.sling", $"Sling, {name.Uncapitalised()}");
            }
        }

        void Sling(SlingMembers? sling, string path, string name)
        {
            if (sling is not null)
            {
                list.Add(sling.ItemId, $"clearing.{path}", name);
            }
        }
    }

    private static void AddLine(PackingList list, LineMembers line, string path, string of, UnitSystem units)
    {
        list.Add(
            line.Rope.ItemId,
            $"{path}.rope",
            units.Say($"Pull line {line.Rope.LengthM:m}, {line.Rope.DiameterM:mm}{of}")
        );
        if (line.Joined is { } joined)
        {
            list.Add(
                joined.Rope.ItemId,
                $"{path}.joined.rope",
                units.Say($"Second rope {joined.Rope.LengthM:m}, {joined.Rope.DiameterM:mm}{of}")
            );
        }

        AddSetting(list, line.Setting?.Way, path);
        AddTackle(list, line, path, of, units);
        AddAnchor(list, line.Anchor, $"{path}.anchor", line.Anchor.Name);
        if (line.Puller.Anchor is { } holds)
        {
            AddAnchor(list, holds, $"{path}.puller.anchor", holds.Name);
        }

        for (var r = 0; r < line.Redirects.Count; r++)
        {
            var redirect = line.Redirects[r];
            list.Add(redirect.HardwareItemId, $"{path}.redirects[{r}]", $"Redirect block{of}");
            AddAnchor(list, redirect.At, $"{path}.redirects[{r}].at", redirect.At.Name);
        }

        AddPuller(list, line.Puller, path, of, units);
        if (line.Limiter is { } drum)
        {
            list.Add(drum.ItemId, $"{path}.limiter", $"Drum for {Sentences.Count(drum.Turns)} turns{of}");
        }
    }

    /// <summary>A winch or a machine goes along like any piece; people bring their gloves.</summary>
    private static void AddPuller(PackingList list, PullerMembers puller, string path, string of, UnitSystem units)
    {
        var pulls = puller.MachineN is { } force ? units.Say($", pulls {force:N}") : "";
        var described = puller.Kind switch
        {
            PullerKind.HandWinch => $"Hand winch with its handle{pulls}{of}",
            PullerKind.Machine => $"Winch or machine, fuel, controls tried{pulls}{of}",
            PullerKind.Vehicle => $"Vehicle that pulls, with chocks and a rated point{of}",
            PullerKind.People => units.Say($"Gloves for {Sentences.Count(puller.Count)} who haul{of}"),
        };
        list.Add(null, $"{path}.puller", described);
    }

    private static void AddSetting(PackingList list, SettingWay? way, string path)
    {
        var kit = way switch
        {
            SettingWay.Catapult => "Catapult, throw weights, thin line",
            SettingWay.Pole => "Pole, thin line",
            SettingWay.Climber => "Climbing kit, and a second one for rescue",
            SettingWay.Hand or SettingWay.TwoHands or null => "Throw weights, thin line",
        };
        list.Add(null, $"{path}.setting", kit);
    }

    private static void AddTackle(PackingList list, LineMembers line, string path, string of, UnitSystem units)
    {
        var tackle = line.Tackle;
        var system = TackleSystems.Of(tackle);
        var pieces = system.HardwarePoints.Count;
        if (tackle.HardwareItemId is not null || pieces > 0)
        {
            var kind = Reference.Contacts.TryGetValue(tackle.ContactId, out var contact) ? contact.Name : "Block";
            list.Add(tackle.HardwareItemId, $"{path}.tackle", $"{kind}{of}", Math.Max(1, pieces));
        }

        if (tackle.Rope is { } rope && !system.IsRoveIn(line))
        {
            list.Add(rope.ItemId, $"{path}.tackle.rope", units.Say($"Tackle rope, {rope.DiameterM:mm}{of}"));
        }

        AddGrip(list, tackle.Grip, $"{path}.tackle.grip", of);
        AddGrip(list, tackle.Hold?.Grip, $"{path}.tackle.hold.grip", of);
        if (tackle.Hold?.Turns is { } turns)
        {
            list.Add(turns.ItemId, $"{path}.tackle.hold.turns", $"Drum to hold on{of}");
        }

        if (tackle.Connector is { } connector)
        {
            list.Add(connector.ItemId, $"{path}.tackle.connector", $"Connector{of}", connector.Count);
        }
    }

    private static void AddGrip(PackingList list, GripMembers? grip, string path, string of)
    {
        if (grip is not null)
        {
            var kind = Reference.Grips.TryGetValue(grip.GripId, out var known) ? known.ShortName : "Grip";
            list.Add(grip.ItemId, path, $"{kind}{of}");
        }
    }

    private static void AddAnchor(PackingList list, AnchorMembers anchor, string path, string? name)
    {
        if (anchor.Sling is { } sling)
        {
            list.Add(sling.ItemId, $"{path}.sling", string.IsNullOrWhiteSpace(name) ? "Sling" : $"Sling for {name}");
        }
    }
}

/// <summary>Collects pieces; one that is used twice is taken once, with the larger number.</summary>
internal sealed class PackingList(IReadOnlyDictionary<string, GearItem> locker)
{
    private readonly List<PackedPiece> pieces = [];

    public IReadOnlyList<PackedPiece> Pieces => pieces;

    /// <param name="itemId">A piece of the locker; null for one that is only described.</param>
    /// <param name="path">Its key while it is no piece of the locker.</param>
    public void Add(string? itemId, string path, string described, int count = 1)
    {
        var piece =
            itemId is null ? new PackedPiece(path, described, "", count, "")
            : locker.TryGetValue(itemId, out var item)
                ? new(itemId, item.Name, item.Marks ?? "", count, TroubleOf(item))
            : new(itemId, described, itemId, count, "not in this locker");
        var at = itemId is null ? -1 : pieces.FindIndex(p => p.Key == itemId);
        if (at < 0)
        {
            pieces.Add(piece);
        }
        else
        {
            pieces[at] = pieces[at] with { Count = Math.Max(pieces[at].Count, count) };
        }
    }

    private static string TroubleOf(GearItem item) =>
        item.State switch
        {
            GearState.Retired => "retired: leave it",
            GearState.Quarantined => "set aside: leave it until somebody has looked",
            GearState.InService => "",
        };
}
