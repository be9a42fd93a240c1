using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>What people, winches, machines and vehicles pull.</summary>
public sealed class EffortTests
{
    [Fact]
    public void People_add_less_than_one_each_and_poor_footing_leaves_seven_tenths()
    {
        var two = Effort.Of(new() { Count = 2, EffortEachN = 280 });
        Near(280 * 1.88, two.SteadyN.Nominal, 1e-9);
        Near(280 * 0.72 * 1.80, two.SteadyN.Low, 1e-9);
        Near(280 * 1.32 * 1.95, two.SteadyN.High, 1e-9);
        Near(560 * 1.95, two.ShortN.High, 1e-9);
        var poor = Effort.Of(
            new()
            {
                Count = 2,
                EffortEachN = 280,
                Footing = Footing.Poor,
            }
        );
        Near(0.7 * two.SteadyN.Nominal, poor.SteadyN.Nominal, 1e-9);

        // Somebody may find a better hold after all: the worst heave stays.
        Near(two.ShortN.High, poor.ShortN.High, 1e-9);
    }

    [Fact]
    public void A_vehicle_pulls_what_its_driven_wheels_grip_less_the_slope()
    {
        // Firm earth 0.5 (0.4 to 0.6), 2200 kg, both axles driven, level: 0.5 · 21.57 kN.
        var level = Effort.Of(Vehicle(0, 1));
        Near(0.5 * 2200 * 9.80665, level.SteadyN.Nominal, 1e-9);
        Near(1.25 * 0.6 * 2200 * 9.80665, level.ShortN.High, 1e-9);
        Near(level.SteadyN.Nominal / 2, Effort.Of(Vehicle(0, 0.5)).SteadyN.Nominal, 1e-9);
        var up = Math.PI / 18;
        Near(2200 * 9.80665 * ((0.5 * Math.Cos(up)) - Math.Sin(up)), Effort.Of(Vehicle(10, 1)).SteadyN.Nominal, 1e-9);
        Assert.True(Effort.Of(Vehicle(-10, 1)).SteadyN.Nominal > level.SteadyN.Nominal);
        Assert.Equal(1, Effort.Of(Vehicle(30, 0.5)).SteadyN.Nominal);
    }

    [Fact]
    public void Each_kind_says_what_it_lacks_and_is_named_in_the_load_path()
    {
        foreach (
            var (kind, member) in new[]
            {
                (PullerKind.Machine, "machineN"),
                (PullerKind.HandWinch, "machineN"),
                (PullerKind.Vehicle, "vehicle"),
            }
        )
        {
            Assert.Equal(
                $"lines[0].puller.{member}",
                Lime().WithMain(l => l with { Puller = new() { Kind = kind } }).OnlyProblem().Path
            );
        }

        Assert.Equal(
            "lines[0].puller.vehicle.groundId",
            Lime()
                .WithMain(l =>
                    l with
                    {
                        Puller = Vehicle(0, 1) with
                        {
                            Vehicle = new() { MassKg = 2000, GroundId = "ice" },
                        },
                    }
                )
                .OnlyProblem()
                .Path
        );
        var driven = Lime().WithMain(l => l with { Puller = Vehicle(0, 1) }).Analysed();
        Assert.Equal("Vehicle", driven.Links[0].Name);
        Assert.Contains(
            driven.Verdict.Reasons,
            r => r.Path == "lines[0].limiter" && r.Text.Contains("the vehicle", StringComparison.Ordinal)
        );
        var winch = Lime()
            .WithMain(l =>
                l with
                {
                    Puller = new() { Kind = PullerKind.HandWinch, MachineN = 800 },
                }
            )
            .Analysed();
        Assert.Equal("Hand winch", winch.Links[0].Name);
        Assert.Null(winch.Pull.Lines[0].Limiter);
        var weak = Lime().WithMain(l => l with { Puller = Vehicle(0, 1) with { Vehicle = new() { MassKg = 60 } } });
        Assert.Contains("it keeps up", weak.Analysed().Verdict.Summary, StringComparison.Ordinal);
        Assert.Contains(
            Remedies.For(weak, "main.hands", Units.UnitSystem.Metric).Remedies!,
            r => r.Text.Contains("vehicle of", StringComparison.Ordinal)
        );
    }

    private static PullerMembers Vehicle(double slope, double driven) =>
        new()
        {
            Kind = PullerKind.Vehicle,
            Vehicle = new()
            {
                MassKg = 2200,
                BrakedShare = driven,
                GroundId = "firm-earth",
                SlopeDeg = slope,
            },
        };
}
