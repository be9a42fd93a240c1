using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Lines;

/// <summary>What pulls on the hauling end.</summary>
/// <remarks>
/// Estimates. People: the nth adds 0.88 of the first (0.80 to 0.95), for they never pull quite together; a steady pull
/// scatters from 0.72 to 1.32 of what is given (180 to 330 N about 250 N), a short heave is 420 N (300 to 560 N) where
/// a steady pull is 250 N; poor footing leaves seven tenths. A vehicle pulls what its driven wheels grip, less what it
/// spends on the slope it drives up (method M10). A jerk of a machine, a winch or a vehicle counts as a quarter over
/// what it keeps up.
/// </remarks>
/// <param name="SteadyN">What it keeps up, N.</param>
/// <param name="ShortN">One heave or jerk, N.</param>
public sealed record Effort(Spread SteadyN, Spread ShortN)
{
    private const double FurtherShareLow = 0.80;
    private const double FurtherShare = 0.88;
    private const double FurtherShareHigh = 0.95;
    private const double HeaveHigh = 560;
    private const double HeaveOverSteady = 420.0 / 250.0;
    private const double HeaveLow = 300.0 / 420.0;
    private const double SteadyLow = 180.0 / 250.0;
    private const double SteadyHigh = 330.0 / 250.0;
    private const double PoorFooting = 0.7;
    private const double Jerk = 1.25;
    private const double LeastPull = 1;

    /// <summary>Steady and short effort with their spread.</summary>
    public static Effort Of(PullerMembers puller)
    {
        switch (puller.Kind)
        {
            case PullerKind.People:
                var each = puller.EffortEachN * (puller.Footing == Footing.Poor ? PoorFooting : 1);
                var more = puller.Count - 1;
                return new(
                    new(
                        each * SteadyLow * (1 + (FurtherShareLow * more)),
                        each * (1 + (FurtherShare * more)),
                        each * SteadyHigh * (1 + (FurtherShareHigh * more))
                    ),
                    new(
                        each * HeaveOverSteady * HeaveLow * (1 + (FurtherShareLow * more)),
                        each * HeaveOverSteady * (1 + (FurtherShare * more)),
                        Math.Max(HeaveHigh, puller.EffortEachN * HeaveOverSteady) * (1 + (FurtherShareHigh * more))
                    )
                );
            case PullerKind.Vehicle:
                var traction = Traction(puller.Vehicle!);
                return new(traction, new(traction.Low, traction.Nominal, Jerk * traction.High));
            default:
                var pull = puller.MachineN ?? LeastPull;
                return new(new(pull, pull, pull), new(pull, pull, Jerk * pull));
        }
    }

    /// <summary>What the puller is called on a load path.</summary>
    public static string NameOf(PullerMembers puller) =>
        puller.Kind switch
        {
            PullerKind.Machine => "Machine",
            PullerKind.Vehicle => "Vehicle",
            PullerKind.HandWinch => "Hand winch",
            PullerKind.People => puller.Count == 1
                ? "One hauler"
                : $"{Sentences.Count(puller.Count).Capitalised()} haulers",
        };

    /// <summary>What the puller keeps up, N; one whose pull is not given has been refused before.</summary>
    public static double Steady(PullerMembers puller) => Of(puller).SteadyN.Nominal;

    /// <summary>The most it could put on the rope in one heave or jerk, N, whatever stands between.</summary>
    public static double WorstCredible(PullerMembers puller) => Of(puller).ShortN.High;

    /// <summary>What its wheels grip, less what the slope asks for; at least 1 N.</summary>
    private static Spread Traction(AnchorWeightMembers vehicle)
    {
        var grip = Reference.Anchors[vehicle.GroundId];
        var weight = vehicle.MassKg * StandingTree.Gravity;
        var slope = Angle.Radians(vehicle.SlopeDeg);
        return new(At(grip.Low), At(grip.Nominal), At(grip.High));

        double At(double mu) =>
            Math.Max(
                LeastPull,
                (mu * weight * vehicle.GrippingShare(vehicle: true) * Math.Cos(slope)) - (weight * Math.Sin(slope))
            );
    }
}
