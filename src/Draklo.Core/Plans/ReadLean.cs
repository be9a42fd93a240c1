using Draklo.Core.Geometry;

namespace Draklo.Core.Plans;

/// <summary>The lean whose tangent each view shows across its line of sight.</summary>
/// <remarks>Method M2.</remarks>
/// <param name="North">Tangent of the lean toward north.</param>
/// <param name="East">Tangent of the lean toward east.</param>
public readonly record struct ReadLean(double North, double East)
{
    /// <summary>Two views closer than this to one line tell too little across it, degrees.</summary>
    public const double LeastBetweenViewsDeg = 20;

    /// <summary>Off plumb, degrees.</summary>
    public double AngleDeg => Angle.Degrees(Math.Atan(Math.Sqrt((North * North) + (East * East))));

    /// <summary>Toward which it leans, degrees clockwise from north.</summary>
    public double BearingDeg => (Angle.Degrees(Math.Atan2(East, North)) + 360) % 360;

    /// <summary>
    /// By one view, which knows nothing of the lean along its line of sight, or by two; null without one, and where two lie
    /// nearly in one line.
    /// </summary>
    /// <param name="heightM">Of the tree, for a view read in metres at its top.</param>
    public static ReadLean? By(IReadOnlyList<LeanViewMembers> views, double heightM)
    {
        if (views.Count == 0)
        {
            return null;
        }

        var (sin1, cos1) = Math.SinCos(Angle.Radians(views[0].LookingDeg));
        var seen1 = views[0].SeenTangent(heightM);
        if (views.Count == 1)
        {
            return new(-sin1 * seen1, cos1 * seen1);
        }

        var (sin2, cos2) = Math.SinCos(Angle.Radians(views[1].LookingDeg));
        var seen2 = views[1].SeenTangent(heightM);
        var cross = (sin2 * cos1) - (cos2 * sin1);
        // −n·sin b + e·cos b = tan(seen), for both views.
        return Math.Abs(cross) < Math.Sin(Angle.Radians(LeastBetweenViewsDeg))
            ? null
            : new(((seen1 * cos2) - (seen2 * cos1)) / cross, ((seen1 * sin2) - (seen2 * sin1)) / cross);
    }
}
