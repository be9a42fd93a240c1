using Draklo.Core.Catalogue;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Store;

namespace Draklo.Web.Tests;

/// <summary>Searching, filtering and sorting jobs in a real file, against the same done by hand in memory.</summary>
public sealed class JobIndexTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("draklo-index-").FullName;
    private readonly Database database;
    private readonly JobStore jobs;
    private readonly JobIndex index;
    private readonly List<(string Id, JobContent Content, JobStage Stage, string? On)> all = [];

    public JobIndexTests()
    {
        database = Database.Open(folder);
        jobs = new(database, TimeProvider.System);
        index = new(database);
        var chance = new Random(3);
        string[] species = ["lime", "ash-european", "birch-silver"];
        string[] places = ["Shore", "Mill", "100% hill", "under_score"];
        string[][] crews =
        [
            ["Mette", "Bo"],
            ["Wenna"],
            ["Ann-Marie", "Bo"],
        ];
        var logs = new List<(string, JobLog, LoggedJob, IReadOnlyList<GearBooked>)>();
        for (var i = 0; i < 120; i++)
        {
            var plan = FirstPlan.Make();
            plan = plan with
            {
                Tree = plan.Tree with { SpeciesId = species[chance.Next(3)] },
                Crew = [.. crews[chance.Next(3)].Select(n => new CrewMembers { Name = n, Role = JobRole.Lead })],
            };
            var day = chance.Next(4) == 0 ? null : $"2026-{chance.Next(1, 13):00}-{chance.Next(1, 28):00}";
            var content = new JobContent($"Tree {i % 17} {(char)('a' + (i % 5))}", places[chance.Next(4)], day, plan);
            var id = jobs.Create(content).Id;
            var stage = (JobStage)(chance.Next(2) == 0 ? 0 : chance.Next(2, 6));
            string? on = null;
            if (stage >= JobStage.Pulled)
            {
                on = $"2025-{chance.Next(1, 13):00}-11";
                var log = new JobLog
                {
                    Stage = stage,
                    On = on,
                    By = "Mette",
                };
                logs.Add((id, log, LoggedJob.Of(log, id, content.Name, plan, null), []));
            }

            all.Add((id, content, stage, on));
        }

        new LogStore(database, new(database, TimeProvider.System), TimeProvider.System).Fill(logs);
    }

    public static TheoryData<string, string[], string, string, string, string, string> Searches =>
        new()
        {
            { "", [], "", "", "", "", "" },
            { "tree 3", [], "", "", "", "", "" },
            { "TREE", ["done", "pulled"], "", "", "", "", "" },
            { "", ["planned"], "lime", "", "", "", "" },
            { "", [], "", "Mill", "Bo", "", "" },
            { "100%", [], "", "", "", "", "" },
            { "under_", [], "", "", "", "", "" },
            { "", [], "", "", "Ann", "", "" },
            { "", [], "", "", "Ann-Marie", "", "" },
            { "", [], "", "", "", "2025-06-01", "2025-12-31" },
            { "'; drop table job; --", [], "", "", "", "", "" },
        };

    [Theory]
    [MemberData(nameof(Searches))]
    public void Any_search_finds_what_is_found_by_hand(
        string text,
        string[] stages,
        string species,
        string place,
        string crew,
        string from,
        string to
    )
    {
        foreach (var sort in Enum.GetValues<JobSort>())
        {
            var search = new JobSearch(text, stages, species, place, crew, from, to, sort);
            var expected = all.Where(j =>
                {
                    var names = j.Content.Plan.Crew.Select(c => c.Name).ToList();
                    var day = j.On ?? j.Content.PlannedOn;
                    var said =
                        $"{j.Content.Name} {j.Content.Place} {string.Join(", ", names)} {j.Content.Plan.Tree.SpeciesId}";
                    return said.Contains(text, StringComparison.OrdinalIgnoreCase)
                        && (stages.Length == 0 || stages.Contains(LogStore.NameOf(j.Stage)))
                        && (species.Length == 0 || j.Content.Plan.Tree.SpeciesId == species)
                        && (place.Length == 0 || j.Content.Place == place)
                        && (crew.Length == 0 || names.Contains(crew))
                        && (from.Length == 0 || string.CompareOrdinal(day, from) >= 0)
                        && (to.Length == 0 || (day is not null && string.CompareOrdinal(day, to) <= 0));
                })
                .ToList();
            var found = index.Found(search);
            Assert.Equal(expected.Select(j => j.Id).Order(), found.Select(f => f.Id).Order());
            Assert.Equal(expected.Count, index.Count(search));
            // Pages of the list put together are the same in the same order.
            var pages = new List<string>();
            for (var at = 0; at < expected.Count + 25; at += 25)
            {
                pages.AddRange(index.Listed("metric", "x", search, at, 25).Select(l => l.Id));
            }

            Assert.Equal(found.Select(f => f.Id), pages);
        }
    }

    [Fact]
    public void Each_order_is_kept()
    {
        Assert.True(InOrder(JobSort.Name, j => j.Name.ToUpperInvariant()));
        Assert.True(InOrder(JobSort.Place, j => j.Place.ToUpperInvariant()));
        Assert.True(InOrder(JobSort.Species, j => j.Species));
        var latest = index.Found(new(Sort: JobSort.Latest)).Select(j => j.OnDay).ToList();
        var dated = latest.TakeWhile(d => d is not null).ToList();
        Assert.Equal(dated.OrderDescending(StringComparer.Ordinal), dated);
        Assert.All(latest.Skip(dated.Count), Assert.Null);
        var stages = index.Found(new()).Select(j => j.Stage).ToList();
        Assert.True(stages.LastIndexOf("planned") < stages.FindIndex(s => s is "pulled" or "cleared"));
        Assert.True(
            stages.FindLastIndex(s => s is "pulled" or "cleared") < stages.FindIndex(s => s is "done" or "calledOff")
        );

        bool InOrder(JobSort sort, Func<JobOfYear, string> by)
        {
            var found = index.Found(new(Sort: sort)).Select(by).ToList();
            return found.SequenceEqual(found.Order(StringComparer.Ordinal));
        }
    }

    [Fact]
    public void A_deleted_job_is_found_nowhere_and_names_and_years_are_those_there_are()
    {
        var (species, places, crew) = index.Named();
        Assert.Equal(["ash-european", "birch-silver", "lime"], species);
        Assert.Equal(4, places.Count);
        Assert.Equal(["Ann-Marie", "Bo", "Mette", "Wenna"], crew);
        Assert.Equal([2026, 2025], index.Years());
        jobs.Delete(all[0].Id);
        Assert.DoesNotContain(index.Found(new()), j => j.Id == all[0].Id);
        Assert.Equal(119, index.Count(new()));
    }

    public void Dispose()
    {
        database.Close();
        Directory.Delete(folder, recursive: true);
    }
}
