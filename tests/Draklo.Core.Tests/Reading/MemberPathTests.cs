using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Paths of members, and the ranges that hold all the way down the document.</summary>
public sealed class MemberPathTests
{
    [Theory]
    [InlineData("tree.heightM", true)]
    [InlineData("lines[0].seat.heightM", true)]
    [InlineData("lines[7].redirects[2].at.sling.wear.ageYears", true)]
    [InlineData("site.targets[0].points[3].eastM", true)]
    [InlineData("tree.heightm", false)]
    [InlineData("lines.seat", false)]
    [InlineData("lines[-1].seat", false)]
    [InlineData("lines[x].seat", false)]
    [InlineData("lines[ 0].seat", false)]
    [InlineData("lines[+1].seat", false)]
    [InlineData("tree[0].heightM", false)]
    [InlineData("", false)]
    [InlineData("tree..heightM", false)]
    public void A_path_leads_to_a_member_or_to_none(string path, bool leads) =>
        Assert.Equal(leads, MemberPaths.IsMember<Plan>(path));

    [Theory]
    [InlineData("tree.decay.shellM", 9)]
    [InlineData("lines[0].tackle.openedM", -1)]
    [InlineData("lines[0].anchor.sling.halfAngleDeg", 80)]
    [InlineData("lines[0].rope.wear.ageYears", -1)]
    [InlineData("lines[0].seat.limb.riseDeg", 89)]
    [InlineData("policy.designFactor.rope", 0)]
    [InlineData("site.mark.eastM", 1e9)]
    public void A_member_out_of_its_range_is_refused_however_deep_it_stands(string path, double value)
    {
        var plan = Lime() with
        {
            Tree = Lime().Tree with
            {
                Decay = new() { ShellM = 0.15, DiameterM = 0.5 },
            },
            Site = Lime().Site with { Mark = Place(20, 0) },
        };
        plan = plan.WithMain(l =>
            l with
            {
                Rope = l.Rope with { Wear = new() { AgeYears = 1 } },
                Seat = l.Seat with { Limb = new() { DiameterM = 0.2 } },
            }
        );
        Assert.Empty(ProblemsOf(plan, path, ValueBefore(plan, path)));
        var problem = Assert.Single(ProblemsOf(plan, path, value));
        Assert.Equal(path, problem.Path);
        Assert.Contains("must lie between", problem.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_member_that_a_document_can_have_is_one()
    {
        var seen = new HashSet<Type>();
        var paths = Paths(typeof(Plan), "", seen).ToList();
        Assert.True(paths.Count > 400, $"{paths.Count} members");
        Assert.All(paths, p => Assert.True(MemberPaths.IsMember<Plan>(p), p));
    }

    /// <summary>As the JSON package knows the members, each type once.</summary>
    private static IEnumerable<string> Paths(Type type, string at, HashSet<Type> seen)
    {
        if (!seen.Add(type))
        {
            yield break;
        }

        foreach (var property in DocumentReader.Options.GetTypeInfo(type).Properties)
        {
            var path = at.Length == 0 ? property.Name : $"{at}.{property.Name}";
            yield return path;
            var of = DocumentReader.Options.GetTypeInfo(property.PropertyType);
            var (below, into) = of.ElementType is { } element ? ($"{path}[0]", element) : (path, of.Type);
            foreach (var found in Paths(into, below, seen))
            {
                yield return found;
            }
        }
    }

    [Fact]
    public void Every_part_of_the_document_is_marked_so_that_its_ranges_are_checked()
    {
        var parts = typeof(Plan)
            .Assembly.GetTypes()
            .Where(t => t.Namespace == typeof(Plan).Namespace && t.Name.EndsWith("Members", StringComparison.Ordinal))
            .ToList();
        Assert.True(parts.Count > 40, $"{parts.Count} parts");
        Assert.All(parts, t => Assert.True(typeof(IDocumentPart).IsAssignableFrom(t), $"{t.Name} is not marked"));
    }

    private static double ValueBefore(Plan plan, string path) =>
        NodeAt(Json(plan), path)?.GetValue<double>() ?? double.NaN;

    private static List<Problem> ProblemsOf(Plan plan, string path, double value)
    {
        var (read, problems) = DocumentReader.Read<Plan>(WithValue(plan, path, value));
        Assert.Empty(problems);
        var found = new List<Problem>();
        MemberRanges.Check(read!, UnitSystem.Metric, found);
        return found;
    }
}
