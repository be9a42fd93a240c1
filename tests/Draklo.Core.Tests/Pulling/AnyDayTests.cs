using CsCheck;
using Draklo.Core.Plans;
using Draklo.Core.Pulling;

namespace Draklo.Core.Tests;

/// <summary>Whatever a crew sends in whatever order: the day stays one that can be read, and nothing is lost.</summary>
public sealed class AnyDayTests
{
    private static readonly Gen<EntryKind> Kinds = Gen.Enum<EntryKind>();
    private static readonly Gen<PullStep> Steps = Gen.Enum<PullStep>();

    private static readonly Gen<(
        EntryKind Kind,
        PullStep Step,
        PullStep To,
        double Size,
        bool Why,
        int Undoes
    )[]> Said = Gen.Select(Kinds, Steps, Steps, Gen.Double[0, 4000], Gen.Bool, Gen.Int[1, 60]).Array[0, 60];

    [Fact]
    public void Steps_are_walked_one_at_a_time_and_every_taken_entry_stays() =>
        Said.Sample(
            said =>
            {
                var diary = Diary.OfTheLime();
                var taken = 0;
                foreach (var one in said)
                {
                    var before = diary.Day;
                    var problems = diary.Say(EntryOf(diary, one));
                    taken += problems.Count == 0 ? 1 : 0;
                    Assert.All(problems, p => Assert.NotEmpty(p.Message));
                    Assert.Equal(taken, diary.Entries.Count);
                    var after = diary.Day;
                    if (one.Kind == EntryKind.Move && problems.Count == 0)
                    {
                        var steps = after.Steps.Select(s => s.Step).ToList();
                        Assert.True(steps.IndexOf(after.Now) <= steps.IndexOf(before.Now) + 1);
                    }

                    Look(after);
                }
            },
            iter: Tries.Of(150)
        );

    [Fact]
    public void Undoing_everything_leads_back_to_the_brief() =>
        Said.Sample(
            said =>
            {
                var diary = Diary.OfTheLime();
                foreach (var one in said.Where(s => s.Kind is not (EntryKind.Undo or EntryKind.Again)))
                {
                    diary.Say(EntryOf(diary, one));
                }

                foreach (var entry in diary.Entries.Reverse().ToList())
                {
                    Assert.Empty(diary.Say(diary.Entry(EntryKind.Undo) with { Undoes = entry.Number }));
                }

                var day = diary.Day;
                Assert.Equal(PullStep.Brief, day.Now);
                Assert.False(day.Stopped);
                Assert.All(day.Lines, l => Assert.Null(l.ReadN));
                Assert.Equal(new WatchedDocument(), day.Seen);
            },
            iter: Tries.Of(100)
        );

    /// <summary>A day that anybody can read: one step is the present one, figures are figures, the answer has words.</summary>
    private static void Look(PullDay day)
    {
        Assert.Single(day.Steps, s => s.State == StepState.Now);
        Assert.Equal(day.Now, day.Steps.Single(s => s.State == StepState.Now).Step);
        Assert.NotEmpty(day.Answer.Title);
        Assert.Equal(day.Stopped, day.Answer.Findings.Any(f => f.Code == "stopped"));
        Assert.Equal(day.Answer.Findings.OrderByDescending(f => f.State), day.Answer.Findings);
        Assert.All(
            day.Lines,
            l =>
            {
                Assert.All(
                    new[] { l.FloorN, l.CeilingN, l.PlannedN, l.ExpectedM ?? 0, l.StirsAtM ?? 0, l.LostShare ?? 0 },
                    n => Assert.True(double.IsFinite(n))
                );
                Assert.All(l.Curve, p => Assert.True(double.IsFinite(p.TensionN) && double.IsFinite(p.HauledM)));
            }
        );
    }

    private static EntryDocument EntryOf(
        Diary diary,
        (EntryKind Kind, PullStep Step, PullStep To, double Size, bool Why, int Undoes) said
    ) =>
        diary.Entry(said.Kind) with
        {
            // Mostly at the step that the crew is at, as it would be.
            Step = said.Undoes % 3 == 0 ? said.Step : diary.Day.Now,
            To = said.Kind == EntryKind.Move ? said.To : null,
            Because = said.Why ? "so it was" : null,
            Undoes = said.Kind == EntryKind.Undo ? said.Undoes : null,
            Tension = said.Kind == EntryKind.Reading ? new() { Way = TensionWay.Cell, ReadN = said.Size } : null,
            Seen =
                said.Kind == EntryKind.Seen
                    ? new()
                    {
                        Bedded = said.Why,
                        CameM = (said.Size / 4000) - 0.1,
                        LeanDeg = said.Size / 200,
                        AnchorMovedM = said.Undoes % 4 == 0 ? said.Size / 1e5 : null,
                        HauledM = said.Size / 150,
                    }
                    : null,
        };
}
