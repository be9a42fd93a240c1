using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>What the catalogue offers: a part that is added starts from figures the plan takes.</summary>
public sealed class CatalogueTests
{
    [Fact]
    public void Every_start_lies_within_the_ranges_of_its_members()
    {
        var parts = typeof(Starts)
            .GetProperties()
            .Where(p => p.GetIndexParameters().Length == 0 && typeof(IDocumentPart).IsAssignableFrom(p.PropertyType))
            .Select(p => (p.Name, Part: (IDocumentPart)p.GetValue(Starts.Usual)!))
            .ToList();
        Assert.True(parts.Count > 12, $"{parts.Count} parts");
        Assert.All(
            parts,
            p =>
            {
                var problems = new List<Problem>();
                MemberRanges.Check(p.Part, UnitSystem.Metric, problems);
                Assert.True(problems.Count == 0, $"{p.Name}: {string.Join(", ", problems)}");
            }
        );
    }

    [Fact]
    public void Every_id_a_start_names_is_in_the_catalogue()
    {
        var starts = Starts.Usual;
        Assert.Contains(starts.Grip.GripId, Reference.Grips.Keys);
        Assert.Contains(starts.Grip.EndKnotId, Reference.Knots.Keys);
        Assert.Contains(starts.TackleRope.EndKnotId, Reference.Knots.Keys);
        Assert.Contains(starts.JoinKnotId, Reference.Knots.Keys);
        Assert.Contains(starts.RedirectContactId, Reference.Contacts.Keys);
        string[] anchors =
        [
            starts.AnchorTree.GroundId,
            starts.AnchorPost.GroundId,
            starts.AnchorPickets.ArrangementId,
            starts.AnchorWeight.GroundId,
            starts.Vehicle.GroundId,
        ];
        Assert.All(anchors, id => Assert.Contains(id, Reference.Anchors.Keys));
    }

    [Theory]
    [InlineData("prusik", 2)]
    [InlineData("valdotain", 2)]
    [InlineData("machard", 4)]
    public void A_grip_shares_its_load_between_the_parts_of_its_cord_that_leave_the_line(string grip, int legs) =>
        Assert.Equal(legs, Reference.Grips[grip].Legs);

    [Fact]
    public void Every_knot_and_grip_is_put_in_words_step_by_step()
    {
        Assert.All(Reference.Knots.Values, k => Assert.True(k.Steps.Count > 1, k.Id));
        Assert.All(Reference.Grips.Values, g => Assert.True(g.Steps.Count > 1, g.Id));
    }

    [Fact]
    public void The_glossary_in_the_docs_is_the_one_in_the_application()
    {
        var docs = File.ReadAllText(Path.Combine(Root(), "docs", "glossary.md"));
        var written = docs.Split('\n').Where(l => l.StartsWith("**", StringComparison.Ordinal));
        Assert.Equal(Reference.Glossary.Select(e => $"**{e.Term}**: {e.Text}{See(e)}"), written);
    }

    [Fact]
    public void Every_glossary_entry_leads_to_others_that_are_there()
    {
        var ids = Reference.Glossary.Select(e => e.Id).ToList();
        Assert.Equal(ids.Count, ids.Distinct(StringComparer.Ordinal).Count());
        Assert.All(
            Reference.Glossary.SelectMany(e => e.See.Split(' ', StringSplitOptions.RemoveEmptyEntries)),
            see => Assert.Contains(see, ids)
        );
    }

    private static string Root()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Draklo.slnx")))
        {
            folder = Path.GetDirectoryName(folder)!;
        }

        return folder;
    }

    private static string See(GlossaryEntry entry) =>
        entry.See.Length == 0
            ? ""
            : $" See {string.Join(", ", entry.See.Split(' ').Select(id => Reference.Glossary.Single(e => e.Id == id).Term))}.";
}
