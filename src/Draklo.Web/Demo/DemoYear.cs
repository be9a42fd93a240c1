using Draklo.Core.Analyses;
using Draklo.Core.Days;
using Draklo.Core.Falls;
using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using Draklo.Core.Units;
using Draklo.Store;

namespace Draklo.Web.Demo;

/// <summary>
/// The made-up year behind the demo: sixteen jobs and one finished with readings, landing, pictures and a rope retired
/// after it.
/// </summary>
internal sealed class DemoYear(Database fresh, string folder, TimeProvider clock)
{
    private const string Finished = "Willow at the ferry landing";
    private const string RetiredRope = "ferry-60";

    private readonly JobStore jobs = new(fresh, clock);
    private readonly LockerStore locker = new(fresh, clock);
    private readonly DateOnly today = DateOnly.FromDateTime(clock.GetLocalNow().Date);

    public void Add()
    {
        var model = jobs.List().First(j => j.Content.Plan.Tree.SpeciesId == "lime").Content.Plan;
        var logs = new LogStore(fresh, locker, clock);
        // Each makes its job first: the logs are written in a change of their own.
        logs.Fill(PastJob.Year.Select((past, i) => OfPast(past, i, model)).ToList());
        AddFinished(model, logs);
        new DemoTrials(fresh, clock).Add();
    }

    private (string, JobLog, LoggedJob, IReadOnlyList<GearBooked>) OfPast(PastJob past, int at, Plan model)
    {
        var on = Day(past.DaysAgo);
        var plan = Resized(model, past);
        var job = jobs.Create(new(past.Name, past.Place, on, plan with { Name = past.Name }));
        var analysis = AnalysisOf(plan, past.Name);
        var log = LogOf(past, at, on, plan, analysis);
        return (
            job.Id,
            log,
            LoggedJob.Of(log, job.Id, past.Name, plan, analysis),
            GearBooking.Of(log, job.Id, past.Name, plan, analysis)
        );
    }

    private static JobLog LogOf(PastJob past, int at, string on, Plan plan, Core.Analyses.Analysis analysis)
    {
        var by = past.LedByWenna ? "Wenna" : "Mette";
        if (past.Stage == JobStage.CalledOff)
        {
            return new()
            {
                Stage = past.Stage,
                On = on,
                By = by,
                Because = "Gusts past what the plan stands, from ten o'clock on. The owner agreed to another day.",
            };
        }

        var went = Math.Round(analysis.Pull.NeededTensionN * past.Ratio / 10) * 10;
        var landed = Math.Round(
            Fall.Of(plan, new(), UnitSystem.Metric).Fall!.Tip.ForwardM * (0.98 + (0.01 * (at % 4))),
            1
        );
        var held = analysis.Hinge.HoldSpreadDeg.Nominal * past.HoldShare;
        return new()
        {
            Stage = past.Stage,
            On = on,
            By = by,
            Landing = new() { OutM = landed, RightM = Math.Round(landed * Math.Tan(Angle.Radians(past.OffDeg)), 1) },
            Lines =
            [
                new()
                {
                    LineId = plan.Lines[0].Id,
                    WentN = went,
                    PeakN = Math.Round(went * (1.15 + (0.05 * (at % 3))) / 10) * 10,
                    FromTrace = at % 3 != 1,
                    SeatM = plan.Lines[0].Seat.HeightM,
                    People = plan.Lines[0].Puller.Count,
                },
            ],
            Hinge = new() { End = HingeEnd.LetGo, AtDeg = Math.Round(held) },
            Knots =
            [
                new()
                {
                    KnotId = plan.Lines[0].KnotId,
                    ItemId = plan.Lines[0].Rope.ItemId,
                    Undone = at % 5 == 2 ? Undone.WithTools : Undone.ByHand,
                },
            ],
            Minutes =
            [
                new()
                {
                    TaskId = "set-line",
                    Minutes = 20 + (at * 7 % 15),
                    People = 2,
                },
                new()
                {
                    TaskId = DrawnTasks.Cuts,
                    Minutes = 18 + (at * 5 % 12),
                    People = 1,
                },
                new()
                {
                    TaskId = DrawnTasks.Pull,
                    Minutes = 9 + (at % 6),
                    People = 3,
                },
                new()
                {
                    TaskId = DrawnTasks.Drag,
                    Minutes = 90 + (at * 11 % 60),
                    People = 3,
                },
            ],
            NearMisses = at switch
            {
                4 =>
                [
                    new()
                    {
                        What = "The top came down two metres nearer the reed cutter's boat than planned.",
                        While = "the pull",
                        Then = "The boat is moved before the back cut, and somebody stands by the water.",
                    },
                ],
                8 =>
                [
                    new()
                    {
                        What = "A walker stood under the line while it was tightened.",
                        While = "pre-tension",
                        Then = "The toll road is closed by a name, not by a cone.",
                    },
                ],
                _ => [],
            },
            Differently = at switch
            {
                3 => "Take the hinge a finger thinner: it held longer than it had to.",
                12 => "The alder turned left again. Aim a little right of the mark next time.",
                _ => null,
            },
        };
    }

    /// <summary>The lime's plan for another tree: gear, tackle and ways stay, all measures grow or shrink together.</summary>
    private static Plan Resized(Plan model, PastJob past)
    {
        var s = past.Size;
        var (latitude, longitude) = PastJob.Places[past.Place];
        var line = model.Lines[0];
        string[] crew = past.LedByWenna
            ? ["Wenna", "Ives", "Bo", "Runa", "Jory", "Mette"]
            : ["Mette", "Jory", "Ives", "Runa", "Bo", "Wenna"];
        JobRole[] roles =
        [
            JobRole.Lead,
            JobRole.Faller,
            JobRole.Hauler,
            JobRole.Hauler,
            JobRole.Hauler,
            JobRole.Watcher,
        ];
        return model with
        {
            Tree = model.Tree with
            {
                SpeciesId = past.SpeciesId,
                HeightM = Math.Round(model.Tree.HeightM * s, 1),
                DbhM = Math.Round(model.Tree.DbhM * s, 2),
                Crown = model.Tree.Crown with { BaseHeightM = Math.Round(model.Tree.Crown.BaseHeightM * s, 1) },
            },
            // What was read at the lime says nothing of another tree.
            Readings = new(),
            Cut = model.Cut with
            {
                StumpDiameterM = Math.Round(model.Cut.StumpDiameterM * s, 2),
                HingeThicknessM = Math.Round(model.Cut.HingeThicknessM * s, 3),
                Notch = model.Cut.Notch with { DepthM = Math.Round(model.Cut.Notch.DepthM * s, 3) },
            },
            Lines =
            [
                line with
                {
                    Seat = line.Seat with { HeightM = Math.Round(line.Seat.HeightM * s, 1) },
                    Puller = line.Puller with { Count = 3 },
                    Anchor = line.Anchor with { DistanceM = Math.Round(line.Anchor.DistanceM * Math.Max(1, s), 1) },
                },
            ],
            Crew =
            [
                .. crew.Select(
                    (name, i) =>
                        new CrewMembers
                        {
                            Name = name,
                            PersonId = name.ToLowerInvariant(),
                            Role = roles[i],
                        }
                ),
            ],
            Site = new()
            {
                Origin = new()
                {
                    LatitudeDeg = latitude + (past.DaysAgo % 7 * 0.0006),
                    LongitudeDeg = longitude + (past.DaysAgo % 5 * 0.0009),
                },
            },
            Accepted = [],
        };
    }

    /// <summary>A job with its whole day: a willow by the water, a load cell's trace, pictures, and the rope that was cut after it.</summary>
    private void AddFinished(Plan model, LogStore logs)
    {
        const int daysAgo = 18;
        var on = Day(daysAgo);
        var past = new PastJob
        {
            Name = Finished,
            Place = "Ternholt shore",
            SpeciesId = "willow-crack",
            Size = 0.9,
            LedByWenna = false,
            DaysAgo = daysAgo,
            Ratio = 1.0,
            OffDeg = 2.0,
            HoldShare = 1.0,
        };
        locker.Create(
            new()
            {
                Id = RetiredRope,
                Kind = GearKind.Rope,
                Name = "Ferry line",
                Marks = "blue tracer, tag 7",
                LengthM = 60,
                DiameterM = 0.0127,
                BreakingStrengthN = 44000,
                ConstructionId = "double-braid",
                StretchAtTenPercent = 0.024,
                MadeOn = Day(2600),
                InServiceOn = Day(2550),
                State = GearState.InService,
            }
        );
        var resized = Resized(model, past);
        var plan = resized.WithLine(
            0,
            l =>
                l with
                {
                    Rope = l.Rope with { ItemId = RetiredRope, BreakingStrengthN = 44000, StretchAtTenPercent = 0.024 },
                }
        ) with
        {
            Name = Finished,
        };
        var job = jobs.Create(new(Finished, past.Place, on, plan));
        var analysis = AnalysisOf(plan, Finished);
        var pictures = new PictureFiles(folder);
        var log = LogOf(past, 0, on, plan, analysis) with
        {
            Gear =
            [
                new()
                {
                    ItemId = RetiredRope,
                    Findings = [Finding.Cut],
                    AtM = 14.5,
                    Note = "Cut half through on the edge of the landing stage, as the tree came down over it.",
                },
            ],
            Broke = "The end of the line, on the landing stage.",
            NearMisses =
            [
                new()
                {
                    What = "The tail of the line ran over the edge of the landing stage and was cut.",
                    While = "the fall",
                    Then = "The tail is coiled behind the anchor before the back cut.",
                },
            ],
            Pictures =
            [
                .. new[]
                {
                    ("ferry-side.png", "As it was planned, from the side"),
                    ("ferry-plan.png", "As it was planned, from above"),
                }.Select(p => new PictureLog { Hash = pictures.Keep(Resource(p.Item1), "png"), Caption = p.Item2 }),
            ],
            Differently = "Coil the tail behind the anchor, away from the stage.",
        };
        new PullStore(fresh, clock).Fill(
            job.Id,
            Entries(plan, log, on),
            [(plan.Lines[0].Id, Trace(log, analysis, on))]
        );
        logs.Fill([
            (
                job.Id,
                log,
                LoggedJob.Of(log, job.Id, Finished, plan, analysis),
                GearBooking.Of(log, job.Id, Finished, plan, analysis)
            ),
        ]);
        locker.Inspect(
            RetiredRope,
            new()
            {
                On = Day(daysAgo - 1),
                By = "Mette",
                Findings = [Finding.Cut],
                Where = "14.5 m from end a",
                Outcome = InspectionOutcome.Retire,
            }
        );
    }

    private static List<DayEntry> Entries(Plan plan, JobLog log, string on)
    {
        var entries = new List<DayEntry>();
        var minute = 0;
        var order = PullSteps.Of(plan);
        for (var i = 1; i < order.Length; i++)
        {
            Add(
                new()
                {
                    Key = $"demo-move-{i:00}",
                    Kind = EntryKind.Move,
                    Step = order[i - 1],
                    To = order[i],
                    By = log.By,
                },
                null
            );
        }

        return entries;

        void Add(EntryDocument entry, Spread? tension) =>
            entries.Add(new(entries.Count + 1, $"{on}T09:{minute += 4:00}:00.0000000+00:00", entry, tension, 1));
    }

    /// <summary>Up to the floor, held, up to what was planned, then down as the tree came over.</summary>
    private static List<TracePoint> Trace(JobLog log, Core.Analyses.Analysis analysis, string on)
    {
        var began = new DateTimeOffset(
            GearRules.Day(on)!.Value,
            new(9, 29, 40),
            TimeSpan.Zero
        ).ToUnixTimeMilliseconds();
        var (floor, planned, went) = (analysis.Pretension.FloorN, log.Lines[0].PeakN!.Value, log.Lines[0].WentN!.Value);
        var chance = new Random(23);
        var points = new List<TracePoint>();
        for (var i = 0; i < 3600; i++)
        {
            var s = i / 20.0;
            var lean = s < 140 ? 0 : Math.Min(90, analysis.Pull.CommitDeg * Math.Pow((s - 140) / 25, 1.4));
            var tension =
                s < 20 ? floor * s / 20
                : s < 60 ? floor * (1.02 - (0.0005 * (s - 20)))
                : s < 100 ? floor + ((planned - floor) * (s - 60) / 40)
                : s < 140 ? planned
                : lean < analysis.Pull.CommitDeg ? planned + ((went - planned) * (s - 140) / 25)
                : Math.Max(0, went * (1 - ((s - 165) / 3)));
            tension *= 1 + (0.012 * (chance.NextDouble() - 0.5));
            points.Add(
                new(began + (i * 50), (float)Math.Round(tension, 1), (float)Math.Round(lean, 1), float.NaN, false)
            );
        }

        return points;
    }

    private string Day(int daysAgo) => today.AddDays(-daysAgo).ToString("yyyy-MM-dd");

    private static Core.Analyses.Analysis AnalysisOf(Plan plan, string name)
    {
        var (analysis, problems) = PlanAnalysis.Of(plan, UnitSystem.Metric, withWorkings: false);
        return analysis
            ?? throw new InvalidOperationException(
                $"The demo job {name} cannot be computed: {string.Join(' ', problems.Select(p => $"{p.Path}: {p.Message}"))}"
            );
    }

    private static byte[] Resource(string file)
    {
        using var stream = typeof(DemoYear).Assembly.GetManifestResourceStream($"Draklo.Web.Demo.{file}")!;
        using var bytes = new MemoryStream();
        stream.CopyTo(bytes);
        return bytes.ToArray();
    }
}
