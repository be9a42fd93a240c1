using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;

namespace Draklo.Core.Links;

/// <summary>One redirect of a line as its links are put on the load path.</summary>
/// <remarks>Method M15.</remarks>
internal sealed class RedirectWalk
{
    private readonly TurnForce force;
    private readonly double treeSide;

    /// <param name="index">Its number from the tree, from 0.</param>
    public RedirectWalk(LineWalk line, int index)
    {
        Line = line;
        Place = index + 1;
        Redirect = line.Line.Redirects[index];
        var (run, tensions) = (line.Run, line.Tensions);
        treeSide = tensions.End * run.Passes(index);
        var planned = tensions.End * run.Passes(index + 1);
        force = run.ForceOn(index, treeSide, planned);
        // At the careful end every turn between it and the tree passes on its least.
        var careful = tensions.End * (1 + tensions.EndMayRise);
        var carefulHaul = careful * run.Passes(index + 1, along: -1);
        OnHaulSide = new(planned, tensions.WorstEnd * run.Passes(index + 1, along: 1), MayRise(carefulHaul, planned));
        var worst = run.ForceOn(index, tensions.WorstEnd * run.Passes(index, along: 1), OnHaulSide.Worst);
        var carefulForce = run.ForceOn(index, careful * run.Passes(index, along: -1), carefulHaul);
        OnTurn = new(force.ForceN, worst.ForceN, MayRise(carefulForce.ForceN, force.ForceN));
        line.Context.Workings?.Add(
            $"{line.Line.Id}.redirect-{Place}",
            $"Force on {Name}",
            "F",
            force.ForceN,
            "N",
            "F = √(T1² + T2² + 2 · T1 · T2 · cos γ), T2 = T1 / η, η by how far the line turns",
            $"√(({treeSide:N})² + ({OnHaulSide.Planned:N})² + 2 · {treeSide:N} · {OnHaulSide.Planned:N} · cos {force.BetweenDeg:deg})",
            "M15",
            estimate: true
        );
    }

    private static double MayRise(double careful, double planned) =>
        planned > 0 ? Math.Max(0, (careful / planned) - 1) : 0;

    public LineWalk Line { get; }

    public RedirectMembers Redirect { get; }

    /// <summary>Its number from the tree, from 1.</summary>
    public int Place { get; }

    /// <summary>"redirect", or "redirect 2" where there are several.</summary>
    public string Name => Line.Line.Redirects.Count > 1 ? $"redirect {Place}" : "redirect";

    public string Member => $"{Line.Member}.redirects[{Place - 1}]";

    public ContactKind Contact => ContactKind.Of(Redirect.ContactId, Redirect.Passes);

    /// <summary>In the leg toward the anchor, N.</summary>
    public LinkLoad OnHaulSide { get; }

    /// <summary>On its block, sling and anchor, N.</summary>
    public LinkLoad OnTurn { get; }

    /// <summary>What its anchor holds, once it is on the path; null when that is not known.</summary>
    public AnchorStrength? AnchorHolds { get; set; }

    /// <summary>How far the force on it rises above level, radians.</summary>
    public double Rise =>
        Math.Atan2(force.Up, Math.Sqrt((force.Forward * force.Forward) + (force.Right * force.Right)));

    public void Add(RedirectRule rule, string name, LinkLoad load, LinkRating rating) =>
        Line.Add(rule, name, load, rating, Place);

    public RedirectForce Result()
    {
        var context = Line.Context;
        var (east, north) = context.Lay.ToSite(force.Forward, force.Right);
        return new()
        {
            BetweenDeg = force.BetweenDeg,
            TreeSideN = treeSide,
            HaulSideN = OnHaulSide.Planned,
            ForceN = OnTurn.Planned,
            WorstForceN = OnTurn.Worst,
            TowardDeg = (Angle.Degrees(Math.Atan2(east, north)) + 360) % 360,
            RisesDeg = Angle.Degrees(Rise),
            At = LayPoint.Of(Line.Run.Points[Place]),
            GroundUpM = Redirect.At.GroundRiseM - context.Tree.Stem.StumpHeight,
            Strength = AnchorHolds,
        };
    }
}
