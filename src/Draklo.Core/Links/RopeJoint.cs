using Draklo.Core.Plans;

namespace Draklo.Core.Links;

/// <summary>What a knot that joins two ropes would have to pass and cannot.</summary>
/// <param name="Turn">The number of the redirect from the tree, from 0; −1 for the union at the seat.</param>
/// <param name="AlongM">How far along the line that hangs, metres.</param>
internal readonly record struct RopeJoint(int Turn, double AlongM)
{
    /// <summary>How much farther than its take-up a joint is kept from what it must not pass, metres.</summary>
    private const double Margin = 0.5;

    /// <summary>Null where the joint stays clear, or without one.</summary>
    public static RopeJoint? Obstacle(LineMembers line, LineResult result)
    {
        if (result.JointAtM is not { } joint)
        {
            return null;
        }

        if (joint < Margin)
        {
            return new(-1, 0);
        }

        double along = result.LengthM;
        for (var i = 0; i < line.Redirects.Count; i++)
        {
            // Hauling draws the joint from the tree toward the anchor by the take-up.
            if (joint < along + Margin && joint + result.TakeUpM > along - Margin)
            {
                return new(i, along);
            }

            along += i + 1 < line.Redirects.Count ? result.Redirects[i].At.DistanceTo(result.Redirects[i + 1].At) : 0;
        }

        return null;
    }
}
