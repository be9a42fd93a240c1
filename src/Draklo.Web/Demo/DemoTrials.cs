using Draklo.Core.Learning;
using Draklo.Core.Plans;
using Draklo.Core.Practice;
using Draklo.Store;

namespace Draklo.Web.Demo;

/// <summary>What the made-up crew tried at leisure, and answered at the practice bench.</summary>
internal sealed class DemoTrials(Database fresh, TimeProvider clock)
{
    private readonly DateOnly today = DateOnly.FromDateTime(clock.GetLocalNow().Date);

    public void Add()
    {
        AddTrials();
        AddAnswers();
    }

    private void AddTrials()
    {
        var store = new TrialStore(fresh, clock);
        double[] broke = [33, 38, 30, 36];
        for (var i = 0; i < broke.Length; i++)
        {
            store.Keep(HingeTrial(i, broke[i], 120 - (i * 20)));
        }

        store.Keep(
            HingeTrial(9, 24, 12) with
            {
                Id = "hinge-birch-1",
                SpeciesId = "birch-silver",
                Finished = false,
                Readings = [new() { LeanDeg = 5 }, new() { LeanDeg = 10, Cracks = 1 }],
            }
        );
        (double Up, double Down)[] pulls = [(118, 97), (121, 95), (117, 98)];
        for (var i = 0; i < pulls.Length; i++)
        {
            store.Keep(
                new()
                {
                    Id = $"twin-blocks-{i + 1}",
                    Kind = TrialKind.Friction,
                    On = Day(95 - (i * 9)),
                    By = "Ives",
                    Finished = true,
                    ContactId = "bushed-block",
                    Readings = [new() { UpN = pulls[i].Up, DownN = pulls[i].Down }],
                }
            );
        }

        for (var i = 0; i < 2; i++)
        {
            store.Keep(
                new()
                {
                    Id = $"drum-{i + 1}",
                    Kind = TrialKind.Friction,
                    On = Day(64 - (i * 2)),
                    By = "Wenna",
                    Finished = true,
                    DrumTurns = 1,
                    Readings = [new() { UpN = 640 + (i * 45), DownN = 58 - (i * 4) }],
                }
            );
        }

        (string Who, double Newtons)[] hauls =
        [
            ("Ives", 310),
            ("Runa", 255),
            ("Bo", 280),
            ("Ives", 295),
            ("Runa", 262),
        ];
        for (var i = 0; i < hauls.Length; i++)
        {
            store.Keep(
                new()
                {
                    Id = $"pull-{i + 1}",
                    Kind = TrialKind.Pull,
                    On = Day(70 - i),
                    By = "Mette",
                    Person = hauls[i].Who,
                    Finished = true,
                    Readings = [new() { ReadN = hauls[i].Newtons }],
                }
            );
        }

        double[] heights = [13.5, 15, 16.2, 14.8, 15.5];
        for (var i = 0; i < heights.Length; i++)
        {
            store.Keep(
                new()
                {
                    Id = $"throw-{i + 1}",
                    Kind = TrialKind.Throw,
                    On = Day(50 - i),
                    By = "Jory",
                    Person = i % 2 == 0 ? "Jory" : "Bo",
                    Finished = true,
                    Way = SettingWay.TwoHands,
                    Readings = [new() { HeightM = heights[i], Tries = 1 + (i * 3 % 4) }],
                }
            );
        }
    }

    private Trial HingeTrial(int at, double brokeDeg, int daysAgo) =>
        new()
        {
            Id = $"hinge-alder-{at + 1}",
            Kind = TrialKind.Hinge,
            On = Day(daysAgo),
            By = "Mette",
            Finished = true,
            SpeciesId = "alder-black",
            NotchDeg = 70,
            HingeThicknessM = 0.03,
            Guesses =
            [
                new() { Name = "Jory", Value = 25 + (at * 4) },
                new() { Name = "Bo", Value = 50 - (at * 3) },
                new() { Name = "Wenna", Value = 35 },
            ],
            Readings =
            [
                new() { LeanDeg = 10 },
                new() { LeanDeg = 20, Cracks = 1 },
                new() { LeanDeg = Math.Round(brokeDeg - 3), Cracks = 3 },
                new() { LeanDeg = brokeDeg, Broke = true },
            ],
        };

    private void AddAnswers()
    {
        var store = new PracticeStore(fresh, clock);
        var topics = Enum.GetValues<PracticeTopic>();
        for (var i = 0; i < 22; i++)
        {
            store.Add("Bo", topics[i * 3 % (topics.Length - 2)], 100 + i, (Mark)(i * 7 % 5 == 0 ? 0 : 1 + (i % 2)));
        }

        for (var i = 0; i < 9; i++)
        {
            store.Add("Runa", topics[i], 300 + i, i == 4 ? Mark.Near : Mark.Right);
        }
    }

    private string Day(int daysAgo) => today.AddDays(-daysAgo).ToString("yyyy-MM-dd");
}
