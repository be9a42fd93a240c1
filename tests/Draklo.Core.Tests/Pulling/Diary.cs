using Draklo.Core.Analyses;
using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>A day told entry by entry.</summary>
internal sealed class Diary
{
    private readonly List<DayEntry> entries = [];
    private int waited;

    public Diary(Plan plan)
    {
        var analysis = PlanAnalysis.Of(plan, withWorkings: false).Analysis!;
        Basis = PullBasis.Of(plan, analysis)!;
    }

    public static Diary OfTheLime() =>
        new(Edited(Lime(), ("crew", Crew(("Runa", "lead"), ("Ole", "faller"), ("Tove", "watcher")))));

    public PullBasis Basis { get; }

    public string BriefWords { get; set; } = "";

    public IReadOnlyList<DayEntry> Entries => entries;

    public PullDay Day => PullDay.Of(Basis, entries, new(BriefWords, BriefWords), UnitSystem.Metric);

    public PullAnswer Answer => Day.Answer;

    /// <summary>What the rules say of an entry; it is kept when they say nothing.</summary>
    public List<Problem> Say(EntryDocument said)
    {
        var problems = new List<Problem>();
        EntryRules.Check(Day, entries, said, static at => at[11..16], problems);
        if (problems.Count == 0)
        {
            var tension =
                said.Tension is null ? null
                : said.LineId == LoadBasis.LineId ? ReadTension.OfLoads(Basis, said.Tension).Tension
                : ReadTension
                    .Of(
                        Basis,
                        Basis.Plan.Lines.ToList().FindIndex(l => said.LineId is null || l.Id == said.LineId),
                        said.Tension
                    )
                    .Tension;
            var at = DateTimeOffset.UnixEpoch.AddHours(8).AddSeconds((20 * entries.Count) + waited);
            entries.Add(new(entries.Count + 1, at.ToString("O"), said, tension, 1));
        }

        return problems;
    }

    public Diary Load()
    {
        Assert.Empty(Say(Entry(EntryKind.Load)));
        return this;
    }

    public Diary Waits(int seconds)
    {
        waited += seconds;
        return this;
    }

    public Diary To(PullStep to, string? because = "as the test goes")
    {
        Assert.Empty(Say(Entry(EntryKind.Move) with { To = to, Because = because }));
        return this;
    }

    /// <summary>On to a step by way of all before it.</summary>
    public Diary At(PullStep to)
    {
        while (Day.Now != to)
        {
            To(Day.Answer.Next!.Value);
        }

        return this;
    }

    public Diary Reads(double newtons, string? line = null)
    {
        Assert.Empty(
            Say(
                Entry(EntryKind.Reading) with
                {
                    LineId = line,
                    Tension = new() { Way = TensionWay.Cell, ReadN = newtons },
                }
            )
        );
        return this;
    }

    public Diary Sees(WatchedDocument seen, string? line = null)
    {
        Assert.Empty(Say(Entry(EntryKind.Seen) with { Seen = seen, LineId = line }));
        return this;
    }

    /// <summary>Everything that is asked at a step, looked at and in order.</summary>
    public Diary AllIsWell() =>
        Sees(
            new()
            {
                Bedded = true,
                WoodBroke = false,
                FootLifted = false,
                AnchorMovedM = 0,
                MovedAside = false,
                HingeCracked = false,
                Rubs = false,
            }
        );

    public EntryDocument Entry(EntryKind kind, string by = "Runa") =>
        new()
        {
            Key = Guid.NewGuid().ToString("N"),
            Kind = kind,
            Step = Day.Now,
            By = by,
        };

    public string Codes => string.Join(' ', Answer.Findings.Select(f => f.Code));
}
