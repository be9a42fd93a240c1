using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

/// <summary>How the members of an anchor, or of what a redirect hangs on, must agree.</summary>
internal static class AnchorRules
{
    public static void Check(FixedPointMembers anchor, Spot spot, List<Problem> problems, UnitSystem units)
    {
        TableRules.CheckAnchorFigure(anchor.Tree?.GroundId, "roots", spot, "tree.groundId", problems);
        TableRules.CheckAnchorFigure(anchor.Post?.GroundId, "soil", spot, "post.groundId", problems);
        TableRules.CheckAnchorFigure(anchor.Pickets?.ArrangementId, "pickets", spot, "pickets.arrangementId", problems);
        TableRules.CheckAnchorFigure(anchor.Weight?.GroundId, "grip", spot, "weight.groundId", problems);
        TableRules.CheckKnot(anchor.Sling?.KnotId, spot, "sling.knotId", problems);
        if (anchor.Tree?.SpeciesId is { } species && !Reference.Species.ContainsKey(species))
        {
            problems.Add(
                new(
                    spot.Of("tree.speciesId"),
                    $"The species “{species}” is not in the catalogue: choose one that is, or leave it out."
                )
            );
        }

        if (anchor is { Kind: AnchorKind.Tree, Tree: { } tree } && anchor.HeightM >= tree.HeightM / 2)
        {
            problems.Add(
                new(
                    spot.Of("heightM"),
                    units.Say(
                        $"A strap at {anchor.HeightM:m} is too high on an anchor tree of {tree.HeightM:m}: put it low, near the foot."
                    )
                )
            );
        }
    }
}
