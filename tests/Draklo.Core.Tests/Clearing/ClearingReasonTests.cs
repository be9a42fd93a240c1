using System.Text.RegularExpressions;
using Draklo.Core.Clearing;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Banks;

namespace Draklo.Core.Tests;

/// <summary>Every reason that a way of clearing can give: some set-up gives it, in words and with its figures.</summary>
public sealed partial class ClearingReasonTests
{
    [GeneratedRegex(
        "\"(?<code>rig-[a-z-]+|power-line-near)\"",
        RegexOptions.ExplicitCapture,
        matchTimeoutMilliseconds: 1000
    )]
    private static partial Regex Codes();

    [Fact]
    public void Every_code_is_given_by_some_set_up()
    {
        var written = Directory
            .EnumerateFiles(Folder(), "*.cs")
            .SelectMany(f => Codes().Matches(File.ReadAllText(f)).Select(m => m.Groups["code"].Value))
            .ToHashSet(StringComparer.Ordinal);
        var given = SetUps()
            .SelectMany(c => Worked(c).Ways.Where(w => w.SetUp).SelectMany(w => w.Reasons))
            .Concat(OfATreeThatCannotBeWorkedOut())
            .ToList();
        Assert.Empty(written.Except(given.Select(r => r.Code), StringComparer.Ordinal));
        Assert.All(given, r => Assert.Matches("^[A-Z0-9“].*[.]$", r.Text));
        Assert.All(given, r => Assert.All(r.Values.Values, v => Assert.True(double.IsFinite(v), r.Code)));
    }

    private static IEnumerable<Reason> OfATreeThatCannotBeWorkedOut()
    {
        var astern = new AsternMembers
        {
            SeatHeightM = 10,
            Anchor = new()
            {
                DistanceM = 25,
                BearingDeg = 270,
                HeightM = 0.4,
            },
        };
        var plan = PlanOf(OverGlass() with { Astern = astern });
        plan = plan with { Cut = plan.Cut with { HingeThicknessM = plan.Cut.StumpDiameterM } };
        return ClearingAnalysis.Of(plan, UnitSystem.Metric).Analysis!.Ways.SelectMany(w => w.Reasons);
    }

    /// <summary>In the other units a sentence has other numbers and says the same.</summary>
    [Fact]
    public void Reasons_are_the_same_in_either_units()
    {
        foreach (var clearing in SetUps().Take(8))
        {
            var plan = PlanOf(clearing);
            var metric = ClearingAnalysis.Of(plan, UnitSystem.Metric).Analysis!;
            var us = ClearingAnalysis.Of(plan, UnitSystem.Us).Analysis!;
            Assert.Equal(
                metric.Ways.SelectMany(w => w.Reasons).Select(r => (r.Code, r.State, r.Path)),
                us.Ways.SelectMany(w => w.Reasons).Select(r => (r.Code, r.State, r.Path))
            );
            Assert.DoesNotContain(
                us.Ways.SelectMany(w => w.Reasons),
                r => r.Text.Contains(" kN", StringComparison.Ordinal)
            );
        }
    }

    private static IEnumerable<ClearingMembers> SetUps()
    {
        var (bank, glass) = (Bank(), OverGlass());
        var weak = Hand with { BreakingStrengthN = 9000, LengthM = 10 };
        yield return bank;
        yield return bank with
        {
            Ground = bank.Ground with
            {
                From = new() { EastM = 0, NorthM = 0 },
                To = new() { EastM = 60, NorthM = 0 },
            },
            Pieces =
            [
                bank.Pieces[0] with
                {
                    Place = new() { EastM = 40, NorthM = 20 },
                },
            ],
        };
        yield return glass;
        // Nothing is known of the gear, nobody has a place.
        yield return bank with
        {
            Haul = null,
            LoadSling = null,
            Carriage = null,
            HaulAnchor = null,
            People = [],
            Drum = new() { Turns = new() { Turns = 1 } },
            High = Larch() with { Block = null, Guy = null },
            Lift = new() { TagAtM = 3 },
        };
        // Weak and short ropes, a low block, an alloy carriage, another rope across, a path and a power line under it.
        yield return bank with
        {
            Line = weak,
            Haul = weak,
            Carriage = new() { StrengthN = 9000, Metal = Metal.Alloy },
            High = Larch() with
            {
                BlockHeightM = 3,
                Guy = new() { Anchor = Fast(30) },
            },
            Fly = new()
            {
                SagShare = 0.2,
                HangM = 3,
                Crosses = true,
            },
            Hauler = new() { Count = 1 },
            Tackle = new() { SystemId = "three-to-one", ContactId = "bushed-block" },
            Ground = bank.Ground with
            {
                Obstacles =
                [
                    new()
                    {
                        Name = "lane",
                        Kind = ObstacleKind.Way,
                        FromM = 30,
                        ToM = 33,
                    },
                    new()
                    {
                        Name = "line",
                        Kind = ObstacleKind.PowerLine,
                        FromM = 40,
                        ToM = 41,
                        HeightM = 7,
                    },
                    new()
                    {
                        Name = "wall",
                        FromM = 25,
                        ToM = 26,
                        HeightM = 1,
                    },
                    new()
                    {
                        Name = "frame",
                        Kind = ObstacleKind.Fragile,
                        FromM = 27,
                        ToM = 28,
                        HeightM = 1,
                    },
                ],
            },
            People =
            [
                new() { Name = "Oskar", AtM = 30 },
                new() { Name = "Ines", AtM = 5 },
                new()
                {
                    Name = "Tove",
                    AtM = 10,
                    OffM = -6,
                },
            ],
            Lead = new() { Anchor = Fast(4), TurnDeg = 90 },
        };
        // Clearances that are small, links that are tight, gear that holds only at the middle.
        foreach (var sag in new[] { 0.06, 0.066, 0.07, 0.075, 0.08, 0.085, 0.09, 0.1 })
        {
            yield return bank with
            {
                Fly = new() { SagShare = sag, HangM = 0.6 + (20 * sag) },
                High = Larch() with
                {
                    Guy = new() { Anchor = Fast(0), Rope = Strong with { BreakingStrengthN = 90_000 } },
                },
            };
        }

        yield return bank with
        {
            High = null,
            Low = Fast(7.5),
        };
        yield return bank with
        {
            Low = Fast(7.5),
        };
        // The hauler could break what the plan does not; the load hangs as high as the block; nobody has weighed it.
        yield return bank with
        {
            Way = ClearingWay.Drag,
            Haul = Hand with { BreakingStrengthN = 20_000 },
            Hauler = new() { Kind = PullerKind.Machine, MachineN = 20_000 },
        };
        yield return bank with
        {
            High = Larch() with { BlockHeightM = 0.6 },
            Lift = new() { TagAtM = 54, FromM = 8.2 },
        };
        foreach (var length in new[] { 2.6, 2.8, 3, 3.2 })
        {
            yield return bank with
            {
                Pieces = [Log("log", 181, 26, 48) with { MassKg = null, LengthM = length }],
                Fly = new() { SagShare = 0.115, HangM = 0.4 },
                High = Larch() with
                {
                    Guy = new() { Anchor = Fast(0), Rope = Strong with { BreakingStrengthN = 150_000 } },
                },
            };
        }

        foreach (var people in new[] { 6, 7, 8 })
        {
            yield return bank with
            {
                Ground = new() { Spots = [Spot(0, 0), Spot(60, 0)], LandingAtM = 9 },
                Hauler = new() { Count = people },
                HaulAnchor = null,
            };
        }

        // Downhill: the log and the carriage run by themselves.
        yield return bank with
        {
            Pieces = [Log("log", 181, 3, 12)],
            Ground = bank.Ground with { LandingAtM = 50, Friction = 0.2 },
        };
        // A flat line: low down the carriage runs toward the high point.
        yield return bank with
        {
            Ground = new() { Spots = [Spot(0, 0), Spot(60, 0)], LandingAtM = 9 },
            Low = Fast(55, 8),
            Fly = new() { SagShare = 0.1, HangM = 0.5 },
            Lift = new() { TagAtM = 8, FromM = 20 },
        };
        foreach (var shell in new[] { 0.02, 0.09 })
        {
            yield return bank with
            {
                High = Larch() with
                {
                    Decay = new() { ShellM = shell, DiameterM = 0.5 },
                },
            };
        }

        // Caught on what does not hold, does not stop, or stops too low.
        yield return glass with
        {
            Line = null,
            Drum = null,
            Climber = TieIn.None,
        };
        yield return glass with
        {
            Drum = null,
            Climber = TieIn.Rigging,
        };
        yield return glass with
        {
            Drum = glass.Drum! with { StrengthN = null },
            Catch = new() { Parts = 2 },
        };
        foreach (var (turns, mass) in new[] { (1, 150.0), (2, 150), (2, 170), (3, 400) })
        {
            yield return glass with
            {
                Pieces = [Log("piece", mass, 2, 10)],
                Drum = glass.Drum! with { Turns = new() { Turns = turns } },
                Catch = new() { DropM = 3, LetRun = true },
                High = glass.High! with { Block = glass.High.Block! with { Metal = Metal.Alloy } },
            };
        }

        yield return glass with
        {
            Catch = new(),
            High = glass.High! with { Block = glass.High.Block! with { Metal = Metal.Alloy } },
        };
        // Somebody at the foot of the stem, somebody under a point.
        yield return bank with
        {
            High = Larch(),
            People = [Oskar(7, 2.5)],
        };
        yield return glass with
        {
            People = [Oskar(30, 1)],
            Points = new()
            {
                LoadAtM = 12,
                LoadHeightM = 4,
                Points =
                [
                    new()
                    {
                        Name = "fork",
                        AtM = 12,
                        HeightM = 12,
                        Block = new() { ContactId = "bark-union" },
                    },
                    new()
                    {
                        Name = "limb",
                        AtM = 30,
                        HeightM = 12,
                        LimbDiameterM = 0.1,
                        LimbRiseDeg = 0,
                        LimbToRight = false,
                    },
                ],
            },
        };
        foreach (var (old, metal) in new[] { (false, (Metal?)null), (true, Metal.Alloy) })
        {
            yield return glass with
            {
                Low = Fast(30),
                Slide = new()
                {
                    TopHeightM = 9,
                    OldRope = old,
                    Metal = metal,
                },
            };
        }

        yield return glass with
        {
            Low = Fast(10.5),
            Slide = new() { TopHeightM = 9 },
        };
        foreach (var (line, pull, at) in new[] { (20.0, (double?)900, 35.0), (20, 20, 11), (15, null, 35) })
        {
            yield return glass with
            {
                Haul = Hand,
                HaulerAtM = at,
                Top = new()
                {
                    CutHeightM = 16,
                    LineHeightM = line,
                    PullN = pull,
                    BackLeanDeg = 12,
                },
            };
        }

        foreach (
            var (bearing, stop, over) in new[]
            {
                (270.0, (double?)null, true),
                (270, 85, true),
                (250, 60, false),
                (90, 30, false),
            }
        )
        {
            yield return glass with
            {
                StemAtM = over ? 4 : 30,
                Ground = glass.Ground with
                {
                    Obstacles =
                    [
                        .. glass.Ground.Obstacles,
                        new()
                        {
                            Name = "bench",
                            FromM = 2,
                            ToM = 3,
                        },
                    ],
                },
                Drum = stop is null ? null : glass.Drum! with { StrengthN = null },
                Astern = new()
                {
                    SeatHeightM = 13,
                    Anchor = new()
                    {
                        DistanceM = 25,
                        BearingDeg = bearing,
                        HeightM = 0.4,
                    },
                    OverSpar = over,
                    StopDeg = stop,
                },
            };
        }

        yield return glass with
        {
            Drum = new()
            {
                Turns = new() { Turns = 1 },
                Anchor = glass.Drum?.Anchor,
            },
            Astern = new()
            {
                SeatHeightM = 13,
                StopDeg = 30,
                Anchor = new()
                {
                    DistanceM = 25,
                    BearingDeg = 270,
                    HeightM = 0.4,
                },
            },
        };

        yield return glass with
        {
            Astern = new()
            {
                SeatHeightM = 60,
                Anchor = new()
                {
                    DistanceM = 25,
                    BearingDeg = 270,
                    HeightM = 0.4,
                },
            },
        };
    }

    private static string Folder()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Draklo.slnx")))
        {
            folder = Path.GetDirectoryName(folder)!;
        }

        return Path.Combine(folder, "src", "Draklo.Core", "Clearing");
    }
}
