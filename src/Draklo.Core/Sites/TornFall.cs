using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Trees;

namespace Draklo.Core.Sites;

/// <summary>When a hinge tears.</summary>
public enum TornWhen
{
    /// <summary>Under the pull, at the needed or the planned tension.</summary>
    UnderPull,

    /// <summary>At commit, once the lines have gone slack.</summary>
    Slack,
}

/// <summary>Where the tree goes if its hinge tears toward the side.</summary>
/// <remarks>
/// Methods M6 and M17, an estimate: along the moment that the hinge held until then, forward what bent it and sideways what
/// the side lean, the wind and the lines put on it. A line that holds the tree off its lean does so only while it pulls.
/// </remarks>
/// <param name="OffLayDeg">From the lay, positive to the right.</param>
/// <param name="Footprint">The ground that it covers.</param>
/// <param name="HitIds">Targets that lie there.</param>
public sealed record TornFall(
    TornWhen When,
    double OffLayDeg,
    IReadOnlyList<Place> Footprint,
    IReadOnlyList<string> HitIds
)
{
    /// <summary>A hinge with less work sideways than this share is not torn by it.</summary>
    private const double LeastSideUse = 0.05;

    /// <summary>Both ways in which it may go, the worse first: what reaches more, then what lies farther off the lay.</summary>
    internal static IReadOnlyList<TornFall> All(CheckedPull pull, TargetShape[] shapes)
    {
        var found = new List<TornFall>(2);
        var context = pull.Context;
        // At the needed tension and at commit the forward moment is what bends the hinge; more tension puts the rest on it.
        var over = (context.PlannedTension - pull.Pull.Needed) * Lines.Pull.ArmSum(pull.Lines, pull.Pull.NeededAt);
        var needed = Off(pull.SideAt(pull.Pull.Needed), context.Hinge.Bending);
        var planned = Off(pull.SideAt(context.PlannedTension), context.Hinge.Bending + Math.Max(0, over));
        Add(TornWhen.UnderPull, Math.Abs(planned ?? 0) > Math.Abs(needed ?? 0) ? planned : needed);
        Add(TornWhen.Slack, Off(pull.SideAt(0), context.Hinge.Bending));
        found.Sort(
            (a, b) =>
                a.HitIds.Count != b.HitIds.Count
                    ? b.HitIds.Count - a.HitIds.Count
                    : Math.Abs(b.OffLayDeg).CompareTo(Math.Abs(a.OffLayDeg))
        );
        return found;

        double? Off(double side, double forward) =>
            Math.Abs(side) < LeastSideUse * context.Hinge.SideCapacity
                ? null
                : Angle.Degrees(Math.Atan2(side, forward));

        void Add(TornWhen when, double? offLay)
        {
            if (offLay is not { } off)
            {
                return;
            }

            var bearing = (context.Plan.Lay.BearingDeg + off + 360) % 360;
            var turned = PlanContext.Of(context.Plan, context.Units, bearingDeg: bearing);
            var ground = Sites.Footprint.Of(turned, bearing);
            var ring = shapes.Length == 0 ? [] : TargetShape.Ring(ground);
            found.Add(new(when, off, ground, [.. shapes.Where(s => s.DistanceTo(ring) <= 0).Select(s => s.Target.Id)]));
        }
    }
}
