using System.Reflection;
using Draklo.Core.Analyses;
using Draklo.Core.Links;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The load path: kinds, places, and how each is named and counted.</summary>
public sealed class LinkTests
{
    private static readonly Analysis Loaded = Heavy.Plan().Analysed();

    [Fact]
    public void Every_kind_has_its_one_rule()
    {
        var rules = typeof(LinkRule)
            .Assembly.GetType("Draklo.Core.Links.LinkRules")!
            .GetFields(BindingFlags.Public | BindingFlags.Static)
            .SelectMany(f => (IEnumerable<LinkRule>)f.GetValue(null)!)
            .ToList();
        Assert.Equal(Enum.GetValues<LinkKind>().Order(), rules.Select(r => r.Kind).Order());
        Assert.Equal(rules.Count, rules.Select(r => (r.Suffix, r.Mark == LinkMark.Redirect)).Distinct().Count());
    }

    [Fact]
    public void A_link_knows_its_line_and_its_place_and_its_id_is_made_of_them()
    {
        Assert.All(
            Loaded.Links,
            l =>
            {
                var start = l.LineId is null ? "" : $"{l.LineId}.";
                var place = l.Place is { } n ? $"redirect-{n}" : "";
                Assert.StartsWith(start + place, l.Id, StringComparison.Ordinal);
                Assert.Equal(l.Place is not null, l.Mark == LinkMark.Redirect);
            }
        );
        Assert.Equal(Loaded.Links.Count, Loaded.Links.Select(l => l.Id).Distinct(StringComparer.Ordinal).Count());
        Assert.Equal(
            [LinkKind.Stem, LinkKind.Roots, LinkKind.Hinge],
            Loaded.Links.Where(l => l.LineId is null).Select(l => l.Kind)
        );
    }

    [Fact]
    public void The_path_runs_from_the_hands_to_the_stump() =>
        Assert.Equal(
            [
                LinkKind.Hauler,
                LinkKind.TackleLegs,
                LinkKind.Blocks,
                LinkKind.TackleKnot,
                LinkKind.PullLine,
                LinkKind.SeatKnot,
                LinkKind.AnchorSling,
                LinkKind.Anchor,
                LinkKind.Stem,
                LinkKind.Roots,
                LinkKind.Hinge,
            ],
            Lime().Analysed().Links.Select(l => l.Kind)
        );

    [Fact]
    public void Use_is_load_times_factor_over_what_is_left_of_the_strength() =>
        Assert.All(
            Loaded.Links,
            l =>
            {
                Near(l.LoadValue * l.Factor / l.StrengthValue, l.Use, 1e-12);
                Near(l.StrengthValue / l.Factor, l.Allowed.Value, 1e-12);
                Near(l.Reductions.Aggregate(l.RatedValue, (left, r) => left * r.Keeps), l.StrengthValue, 1e-9);
                Assert.Equal(Link.StateOf(l.Use, l.Slips ? 0 : l.WorstLoadValue, l.StrengthValue), l.State);
            }
        );

    [Fact]
    public void A_figure_carries_what_it_is_measured_in()
    {
        Assert.Equal(Dimension.Stress, Loaded.Links.Single(l => l.Kind == LinkKind.Stem).Load.Dimension);
        Assert.Equal(Dimension.Moment, Loaded.Links.Single(l => l.Kind == LinkKind.Roots).Strength.Dimension);
        Assert.Equal(Dimension.Moment, Loaded.Links.Single(l => l.Kind == LinkKind.Hinge).Allowed.Dimension);
        Assert.All(
            Loaded.Links.Where(l => l.LineId is not null && l.Kind != LinkKind.Limb),
            l => Assert.Equal(Dimension.Force, l.Load.Dimension)
        );
    }

    [Fact]
    public void Only_what_holds_by_friction_slips_and_only_the_hands_are_an_effort()
    {
        LinkKind[] slipping =
        [
            LinkKind.Grip,
            LinkKind.HoldingGrip,
            LinkKind.HoldingTurns,
            LinkKind.Drum,
            LinkKind.Capture,
        ];
        Assert.All(Loaded.Links.Where(l => l.Slips), l => Assert.Contains(l.Kind, slipping));
        Assert.All(Loaded.Links, l => Assert.Equal(l.Kind == LinkKind.Hauler, l.Rule.IsEffort));
    }
}
