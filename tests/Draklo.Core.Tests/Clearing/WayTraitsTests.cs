using System.Text.Json;
using Draklo.Core.Briefs;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Gear;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Banks;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>A way carries all that is its own; what it lacks is named here.</summary>
public sealed class WayTraitsTests
{
    public static TheoryData<ClearingWay> Kinds => [.. Enum.GetValues<ClearingWay>()];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Every_kind_is_worked_out_once_and_the_brief_has_words_for_each_end(ClearingWay kind)
    {
        var plan = PlanOf(Bank() with { Way = kind });
        Assert.Single(Worked(Bank()).Ways, w => w.Way == kind);
        var page = Cases.PageOf(plan).Clearing!;
        Assert.NotEmpty(page.Ends);
        Assert.All(
            page.Ends,
            end =>
            {
                Assert.NotEmpty(end.Name);
                Assert.All(end.Lines, line => Assert.EndsWith(".", line, StringComparison.Ordinal));
            }
        );
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void What_choosing_it_begins_are_members_of_a_plan_and_nothing_of_them_is_missing_then(ClearingWay kind)
    {
        var plan = PlanOf(new ClearingStarts().Whole with { Way = kind });
        var begins = Of(plan, kind).Begins;
        Assert.All(begins, change => Assert.True(MemberPaths.IsMember<Plan>(change.Path), change.Path));
        var chosen = Edited(
            plan,
            [.. begins.Select(c => (c.Path, (object?)JsonSerializer.SerializeToNode(c.Value, DocumentReader.Options)))]
        );
        Assert.Empty(Of(chosen, kind).Begins);
    }

    [Fact]
    public void A_piece_of_the_locker_on_a_bank_is_booked_by_the_link_that_it_is()
    {
        var ids = Kinds
            .SelectMany(kind => Worked(Bank() with { Way = kind.Data }).Ways)
            .Concat(Kinds.SelectMany(kind => Worked(OverGlass() with { Way = kind.Data }).Ways))
            .SelectMany(w => w.Links)
            .Select(l => l.Id)
            .ToHashSet(StringComparer.Ordinal);
        var hung = new[] { Bank(), OverGlass() }
            .SelectMany(c => GearOnPlan.OfClearing(Tagged(c)))
            .Select(h => h.LinkId)
            .ToHashSet(StringComparer.Ordinal);
        Assert.Contains("line", hung);
        Assert.Contains("block-sling", hung);
        Assert.Empty(hung.Except(ids, StringComparer.Ordinal));
    }

    [Fact]
    public void Zones_have_a_kind_and_bands_are_no_places_to_be_told_of()
    {
        var fly = Of(PlanOf(Bank()), ClearingWay.Fly);
        Assert.Contains(fly.Zones, z => z.Kind == ZoneKind.Band);
        Assert.Contains(fly.Zones, z => z.Kind == ZoneKind.UnderLoad);
        var page = Cases.PageOf(PlanOf(Bank() with { Way = ClearingWay.Fly })).Clearing;
        Assert.Equal(fly.Zones.Count(z => z.Kind != ZoneKind.Band), page!.Nobody.Count);
    }

    private static ClearingMembers Tagged(ClearingMembers clearing) =>
        clearing with
        {
            Line = clearing.Line! with { ItemId = "a" },
            High = clearing.High! with
            {
                Block = clearing.High.Block! with { ItemId = "b", Sling = Sling with { ItemId = "c" } },
            },
        };

    private static WayResult Of(Plan plan, ClearingWay kind) =>
        ClearingAnalysis.Of(plan, UnitSystem.Metric).Analysis!.Ways.Single(w => w.Way == kind);
}
