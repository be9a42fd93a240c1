using Draklo.Core.Plans;

namespace Draklo.Core.Strength;

/// <summary>What pulls on the hauling end.</summary>
/// <remarks>Estimates: the nth person adds 0.88 of the first (0.80 to 0.95), for they never pull quite together; a short heave is 420 N (up to 560 N) where a steady pull is 250 N. A machine's jerk is reckoned a quarter over what it keeps up.</remarks>
public static class Effort
{
    private const double FurtherShare = 0.88;
    private const double FurtherShareHigh = 0.95;
    private const double HeaveHigh = 560;
    private const double HeaveOverSteady = 420.0 / 250.0;
    private const double Jerk = 1.25;

    /// <summary>What the puller keeps up, N; a machine whose pull is not given has been refused before.</summary>
    public static double Steady(PullerMembers puller) => puller.Kind == PullerKind.Machine
        ? puller.MachineN ?? 0
        : puller.EffortEachN * (1 + (FurtherShare * (puller.Count - 1)));

    /// <summary>The most it could put on the rope in one heave or jerk, N, whatever stands between.</summary>
    public static double WorstCredible(PullerMembers puller) => puller.Kind == PullerKind.Machine
        ? Jerk * (puller.MachineN ?? 0)
        : Math.Max(HeaveHigh, puller.EffortEachN * HeaveOverSteady) * (1 + (FurtherShareHigh * (puller.Count - 1)));
}
