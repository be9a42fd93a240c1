using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>How the members of a clearing must agree before anything is worked out from them.</summary>
internal static class ClearingRules
{
    public static void Check(Plan plan, ClearingMembers clearing, List<Problem> problems, UnitSystem units)
    {
        CheckGround(clearing.Ground, problems, units);
        CheckPieces(plan, clearing, problems, units);
        CheckGear(clearing, problems, units);
        CheckWays(clearing, problems);
    }

    private static void CheckGround(GroundSectionMembers ground, List<Problem> problems, UnitSystem units)
    {
        for (var i = 1; i < ground.Spots.Count; i++)
        {
            if (ground.Spots[i].AtM <= ground.Spots[i - 1].AtM)
            {
                problems.Add(
                    new(
                        $"clearing.ground.spots[{i}].atM",
                        units.Say($"Spots run from left to right: this one must lie past {ground.Spots[i - 1].AtM:m}.")
                    )
                );
                return;
            }
        }

        var spot = Spot.At("clearing.ground");
        TableRules.CheckAnchorFigure(ground.SurfaceId, "drag", spot, "surfaceId", problems);
        for (var i = 0; i < ground.Obstacles.Count; i++)
        {
            if (ground.Obstacles[i].ToM <= ground.Obstacles[i].FromM)
            {
                problems.Add(
                    new($"clearing.ground.obstacles[{i}].toM", "It ends before it begins: give its far side.")
                );
            }
        }

        var (left, right) = (ground.Spots[0].AtM, ground.Spots[^1].AtM);
        if (ground.LandingAtM < left || ground.LandingAtM > right)
        {
            problems.Add(
                new(
                    "clearing.ground.landingAtM",
                    units.Say($"The section runs from {left:m} to {right:m}: the pieces go to a place on it.")
                )
            );
        }
    }

    private static void CheckPieces(Plan plan, ClearingMembers clearing, List<Problem> problems, UnitSystem units)
    {
        var before = problems.Count;
        SectionRules.Check(plan.Tree, problems, units);
        if (problems.Count > before)
        {
            return;
        }

        var length = ClearPiece.StemOf(plan).LengthAboveCut;
        for (var i = 0; i < clearing.StemCutsM.Count; i++)
        {
            if (!(clearing.StemCutsM[i] > 0 && clearing.StemCutsM[i] < length))
            {
                problems.Add(
                    new(
                        $"clearing.stemCutsM[{i}]",
                        units.Say($"The stem is {length:m} long above the felling cut: a mark lies on it.")
                    )
                );
            }
        }

        var (left, right) = (clearing.Ground.Spots[0].AtM, clearing.Ground.Spots[^1].AtM);
        if (clearing.StemAtM < left || clearing.StemAtM > right)
        {
            problems.Add(Outside("clearing.stemAtM", left, right, units));
        }

        var line = SectionLine.Of(clearing.Ground);
        var seen = new HashSet<string>(StringComparer.Ordinal);
        for (var i = 0; i < clearing.Pieces.Count; i++)
        {
            var piece = clearing.Pieces[i];
            if (!seen.Add(piece.Id))
            {
                problems.Add(
                    new($"clearing.pieces[{i}].id", $"Another piece is called “{piece.Id}”: each has its own.")
                );
            }

            if (piece.TopM > piece.ButtM)
            {
                problems.Add(
                    new($"clearing.pieces[{i}].topM", "The thin end is thicker than the butt: turn them round.")
                );
            }

            if (piece.Place is { } place && line is { } section)
            {
                var along = section.Of(place.EastM, place.NorthM).Along;
                if (along < left || along > right)
                {
                    problems.Add(
                        new(
                            $"clearing.pieces[{i}].place",
                            "It lies past the ends of the section: move it, or draw the section longer."
                        )
                    );
                }
            }
            else if (piece.AtM < left || piece.AtM > right)
            {
                problems.Add(Outside($"clearing.pieces[{i}].atM", left, right, units));
            }
        }
    }

    private static Problem Outside(string path, double left, double right, UnitSystem units) =>
        new(path, units.Say($"The section runs from {left:m} to {right:m}: give a place on it, or draw it longer."));

    private static void CheckGear(ClearingMembers clearing, List<Problem> problems, UnitSystem units)
    {
        CheckBlock(clearing.High?.Block, "clearing.high.block", problems);
        CheckBlock(clearing.Lead?.Block, "clearing.lead.block", problems);
        CheckAnchor(clearing.Low, "clearing.low", problems, units);
        CheckAnchor(clearing.HaulAnchor, "clearing.haulAnchor", problems, units);
        CheckAnchor(clearing.Lead?.Anchor, "clearing.lead.anchor", problems, units);
        CheckAnchor(clearing.Drum?.Anchor, "clearing.drum.anchor", problems, units);
        CheckAnchor(clearing.High?.Guy?.Anchor, "clearing.high.guy.anchor", problems, units);
        var root = Spot.At("clearing");
        TableRules.CheckKnot(clearing.LineKnotId, root, "lineKnotId", problems);
        TableRules.CheckKnot(clearing.Drag.KnotId, root, "drag.knotId", problems);
        TableRules.CheckKnot(clearing.Catch?.KnotId, root, "catch.knotId", problems);
        TableRules.CheckKnot(clearing.LoadSling?.KnotId, root, "loadSling.knotId", problems);
        CheckRope(clearing.Line, "clearing.line", problems);
        CheckRope(clearing.Haul, "clearing.haul", problems);
        CheckRope(clearing.Tag, "clearing.tag", problems);
        CheckRope(clearing.High?.Guy?.Rope, "clearing.high.guy.rope", problems);
        if (clearing.High is { } high)
        {
            TableRules.CheckAnchorFigure(
                high.Stem.GroundId,
                "roots",
                Spot.At("clearing.high.stem"),
                "groundId",
                problems
            );
            CheckSpecies(high.Stem.SpeciesId, "clearing.high.stem.speciesId", problems);
            if (high.BlockHeightM >= high.Stem.HeightM)
            {
                problems.Add(
                    new(
                        "clearing.high.blockHeightM",
                        units.Say($"The stem is {high.Stem.HeightM:m} high: the block hangs below its end.")
                    )
                );
            }

            if (high.Decay is { } decay && decay.ShellM > decay.DiameterM / 2)
            {
                problems.Add(new("clearing.high.decay.shellM", "A sound shell is no thicker than half the stem."));
            }
        }

        CheckHauler(clearing, problems);
    }

    private static void CheckHauler(ClearingMembers clearing, List<Problem> problems)
    {
        if (clearing.Hauler is { Kind: PullerKind.Machine or PullerKind.HandWinch, MachineN: null })
        {
            problems.Add(new("clearing.hauler.machineN", "Say what the machine or winch keeps up on the rope."));
        }

        if (clearing.Hauler is { Kind: PullerKind.Vehicle, Vehicle: null })
        {
            problems.Add(new("clearing.hauler.vehicle", "Say what the vehicle weighs and stands on."));
        }

        if (clearing.Hauler.Vehicle is { } vehicle)
        {
            TableRules.CheckAnchorFigure(
                vehicle.GroundId,
                "grip",
                Spot.At("clearing.hauler"),
                "vehicle.groundId",
                problems
            );
        }

        if (clearing.Tackle is { } tackle)
        {
            if (tackle.Composed is not null || TackleSystems.Find(tackle.SystemId) is null)
            {
                problems.Add(
                    new(
                        "clearing.tackle.systemId",
                        $"“{tackle.SystemId}” is not one of the named tackles: choose one that is."
                    )
                );
            }
            else
            {
                TableRules.CheckContact(tackle.ContactId, Spot.At("clearing.tackle"), problems);
            }
        }
    }

    private static void CheckWays(ClearingMembers clearing, List<Problem> problems)
    {
        for (var i = 0; i < clearing.Points?.Points.Count; i++)
        {
            CheckBlock(clearing.Points.Points[i].Block, $"clearing.points.points[{i}].block", problems);
        }

        CheckPieceId(clearing, clearing.Catch?.PieceId, "clearing.catch.pieceId", problems);
        CheckPieceId(clearing, clearing.Points?.PieceId, "clearing.points.pieceId", problems);
        CheckPieceId(clearing, clearing.Slide?.PieceId, "clearing.slide.pieceId", problems);
        var seen = new HashSet<ClearingWay>();
        for (var i = 0; i < clearing.Times.Count; i++)
        {
            if (!seen.Add(clearing.Times[i].Way))
            {
                problems.Add(new($"clearing.times[{i}].way", "The minutes of this way are given twice."));
            }
        }
    }

    private static void CheckPieceId(ClearingMembers clearing, string? id, string path, List<Problem> problems)
    {
        if (id is not null && !id.StartsWith("stem-", StringComparison.Ordinal) && clearing.Pieces.All(p => p.Id != id))
        {
            problems.Add(new(path, $"There is no piece “{id}”: choose one that is there."));
        }
    }

    private static void CheckBlock(RigBlockMembers? block, string path, List<Problem> problems)
    {
        if (block is not null)
        {
            TableRules.CheckContact(block.ContactId, Spot.At(path), problems);
            TableRules.CheckKnot(block.Sling?.KnotId, Spot.At(path), "sling.knotId", problems);
        }
    }

    private static void CheckAnchor(SectionPointMembers? anchor, string path, List<Problem> problems, UnitSystem units)
    {
        if (anchor is not null)
        {
            AnchorRules.Check(anchor, Spot.At(path), problems, units);
        }
    }

    private static void CheckRope(RopeMembers? rope, string path, List<Problem> problems) =>
        TableRules.CheckConstruction(rope?.ConstructionId, Spot.At(path), problems);

    private static void CheckSpecies(string? id, string path, List<Problem> problems)
    {
        if (id is not null && !Reference.Species.ContainsKey(id))
        {
            problems.Add(
                new(path, $"The species “{id}” is not in the catalogue: choose one that is, or leave it out.")
            );
        }
    }
}
