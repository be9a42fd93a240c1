using Draklo.Core.Plans;

namespace Draklo.Core.Strength;

/// <summary>What people put on a rope.</summary>
/// <remarks>Estimates: the nth person adds 0.88 of the first (0.80 to 0.95), for they never pull quite together; a short heave is 420 N (up to 560 N) where a steady pull is 250 N.</remarks>
public static class Effort
{
    private const double FurtherShare = 0.88;
    private const double FurtherShareHigh = 0.95;
    private const double HeaveHigh = 560;
    private const double HeaveOverSteady = 420.0 / 250.0;

    /// <summary>What the crew keeps up, N.</summary>
    public static double Steady(PullerMembers crew) => crew.EffortEachN * (1 + (FurtherShare * (crew.Count - 1)));

    /// <summary>The most they could put on in one heave, N.</summary>
    public static double WorstCredible(PullerMembers crew) =>
        Math.Max(HeaveHigh, crew.EffortEachN * HeaveOverSteady) * (1 + (FurtherShareHigh * (crew.Count - 1)));
}
