using System.Text;
using CsCheck;
using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Studies;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Every lay at once, and what each would hit.</summary>
public sealed class LayRoseTests
{
    [Fact]
    public void The_rose_says_at_the_plans_own_lay_what_the_analysis_says()
    {
        var (rose, problems) = LayRose.Of(Lime(), UnitSystem.Metric);
        Assert.Empty(problems);
        Assert.Equal(360, rose!.Bearings.Count);
        var own = rose.Bearings[90];
        var analysis = Lime().Analysed();
        Near(analysis.Pull.NeededTensionN, own.NeededTensionN!.Value, 1e-9);
        Near(analysis.Pull.CommitDeg, own.CommitDeg!.Value, 1e-9);
        Assert.True(rose.Bearings[270].NeededTensionN < own.NeededTensionN);
    }

    [Fact]
    public void The_rose_closes_toward_what_must_be_spared_and_agrees_with_the_zones()
    {
        var targets = Enumerable
            .Range(0, 12)
            .Select(i => new TargetMembers
            {
                Id = $"t{i}",
                Kind = TargetKind.Building,
                Closed = true,
                Points =
                [
                    Place(12 * Math.Sin(i), 25 * Math.Cos(i)),
                    Place((12 * Math.Sin(i)) + 3, 25 * Math.Cos(i)),
                    Place((12 * Math.Sin(i)) + 3, (25 * Math.Cos(i)) + 2),
                ],
            })
            .Where(t => new TargetShape(t).ProblemOfPoints() is null)
            .ToArray();
        var plan = WithTargets(Lime(), targets);
        var rose = LayRose.Of(plan, UnitSystem.Metric, 10).Rose!;
        foreach (var bearing in rose.Bearings)
        {
            var turned = plan.WithMain(l => l with { Anchor = l.Anchor with { BearingDeg = bearing.BearingDeg } }) with
            {
                Lay = new() { BearingDeg = bearing.BearingDeg },
            };
            if (PlanAnalysis.Of(turned).Analysis is { } analysis)
            {
                Assert.Equal(analysis.Site.Targets.Min(t => t.ClearanceM), bearing.ClearanceM!.Value, 1e-9);
                Assert.True(bearing.ClearanceM > 0 || bearing.State == RoseState.Closed);
            }
        }

        Assert.Contains(rose.Bearings, b => b.State == RoseState.Closed);
    }
}
