namespace Draklo.Core.Plans;

/// <summary>A plan with one of its groups changed. Every change that the core makes to a plan goes through here.</summary>
public static class PlanEdits
{
    /// <param name="at">Index of the line.</param>
    public static Plan WithLine(this Plan plan, int at, Func<LineMembers, LineMembers> change)
    {
        var lines = plan.Lines.ToArray();
        lines[at] = change(lines[at]);
        return plan with { Lines = lines };
    }

    /// <summary>The plan with another first line, which is the main one.</summary>
    public static Plan WithMainLine(this Plan plan, LineMembers line) => plan.WithLine(0, _ => line);

    public static Plan WithTackle(this Plan plan, int at, Func<TackleMembers, TackleMembers> change) =>
        plan.WithLine(at, l => l with { Tackle = change(l.Tackle) });

    public static Plan WithPuller(this Plan plan, int at, Func<PullerMembers, PullerMembers> change) =>
        plan.WithLine(at, l => l with { Puller = change(l.Puller) });

    public static Plan WithSeatHeight(this Plan plan, int at, double heightM) =>
        plan.WithLine(at, l => l with { Seat = l.Seat with { HeightM = heightM } });

    /// <param name="redirect">Its number from the tree, from 0.</param>
    public static Plan WithRedirect(
        this Plan plan,
        int at,
        int redirect,
        Func<RedirectMembers, RedirectMembers> change
    ) =>
        plan.WithLine(
            at,
            line =>
            {
                var redirects = line.Redirects.ToArray();
                redirects[redirect] = change(redirects[redirect]);
                return line with { Redirects = redirects };
            }
        );

    /// <summary>Moves what the line first runs to: its anchor, or its first redirect.</summary>
    public static Plan WithFirstDistance(this Plan plan, int at, double distanceM) =>
        plan.Lines[at].Redirects.Count == 0
            ? plan.WithLine(at, l => l with { Anchor = l.Anchor with { DistanceM = distanceM } })
            : plan.WithRedirect(at, 0, r => r with { At = r.At with { DistanceM = distanceM } });

    public static Plan WithTree(this Plan plan, Func<TreeMembers, TreeMembers> change) =>
        plan with
        {
            Tree = change(plan.Tree),
        };

    public static Plan WithHinge(this Plan plan, double thicknessM) =>
        plan with
        {
            Cut = plan.Cut with { HingeThicknessM = thicknessM },
        };

    /// <summary>The plan without what stands about the tree and what was written down: none of it moves a force.</summary>
    public static Plan WithoutSite(this Plan plan) =>
        plan with
        {
            Site = new(),
            Crew = [],
            WalkUp = [],
            Readings = new(),
            Guesses = [],
            Accepted = [],
        };
}
