using Draklo.Core.Lines;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>A strength or a piece that the plan does not give.</summary>
/// <param name="Path">The member to fill in.</param>
public sealed record Unknown(string Path, string Text);

/// <summary>Every link from the haulers' hands to the stump, each checked.</summary>
/// <remarks>
/// Method M9. Loads are for the planned tension; worst loads for the hardest heave through the best turns.
/// </remarks>
public sealed class LoadPath(PlanContext context)
{
    private const double RootMomentPerKg = 100;
    private const double LooseRootMomentPerKg = 60;

    private readonly List<Link> links = new(24);

    internal PlanContext Context => context;

    public IReadOnlyList<Link> Links => links;

    public List<Unknown> Unknowns { get; } = [];

    /// <summary>What the anchors hold, line by line; null for one that is not known or a line that has none.</summary>
    public List<AnchorStrength?> Anchors { get; } = new(2);

    /// <summary>
    /// The main tension at which the first strength is used up with its factor, N; infinite when none is known.
    /// </summary>
    public double AllowableTension { get; private set; } = double.PositiveInfinity;

    /// <summary>The link that <see cref="AllowableTension"/> belongs to.</summary>
    public Link? LimitingLink { get; private set; }

    /// <summary>Adds every link of one line.</summary>
    /// <returns>The force on each of its redirects, from the tree outward.</returns>
    public RedirectForce[] AddLine(
        int index,
        in PullLine pulled,
        LineRun run,
        in LineTensions tensions,
        SolvedTackle tackle
    ) => new LineLinks(this, index, pulled, run, tensions, tackle).Add();

    /// <summary>Adds what all lines load together: the stem, the roots and the hinge.</summary>
    /// <param name="planned">Main tension, N.</param>
    /// <param name="atWorst">The lines with their worst credible tensions as shares of 1 N.</param>
    public void AddTree(
        double planned,
        StemBending atNeeded,
        double needed,
        PullLine[] lines,
        PullLine[] atWorst,
        double sideMoment
    )
    {
        var factor = context.Plan.Policy.DesignFactor;
        var tree = context.Tree;
        var soundness = tree.Soundness.Value;
        var perNewton = needed > 0 ? atNeeded.WorstStress / needed : 0;
        List<Reduction> sound = soundness < 1 ? [new("soundness", soundness)] : [];
        Add(
            "stem",
            "Stem under the line",
            null,
            LinkQuantity.Stress,
            perNewton * planned,
            AtWorst(tree, soundness, perNewton, lines, atWorst),
            tree.Wood.Strength,
            factor.Stem,
            sound,
            planned,
            estimate: true
        );

        var back = Math.Max(0, -tree.ForwardMoment - context.Wind.ForwardMoment);
        var arms = Pull.ArmSum(lines, 0);
        var roots = Math.Max(back, (planned * arms) - back);
        Add(
            "roots",
            "Roots of the tree",
            null,
            LinkQuantity.Moment,
            roots,
            Math.Max(back, Pull.ArmSum(atWorst, 0) - back),
            (context.Plan.Tree.Condition.RootsLifted ? LooseRootMomentPerKg : RootMomentPerKg) * tree.StemMass,
            factor.Anchor,
            [],
            0,
            estimate: true
        );
        Add(
            "hinge",
            "Hinge, sideways",
            null,
            LinkQuantity.Moment,
            sideMoment,
            sideMoment,
            context.Hinge.SideCapacity,
            1,
            [],
            0,
            estimate: true
        );
    }

    /// <summary>
    /// Stress of the stem under the worst credible tensions, Pa. One line alone bends it in proportion.
    /// </summary>
    private static double AtWorst(
        StandingTree tree,
        double soundness,
        double perNewton,
        PullLine[] lines,
        PullLine[] atWorst
    ) =>
        lines.Length == 1 && perNewton > 0 && lines[0].Share > 0
            ? perNewton * atWorst[0].Share / lines[0].Share
            : StemBending.Under(tree, soundness, atWorst, 1).WorstStress;

    /// <summary>Adds a link that carries a force.</summary>
    /// <param name="limitsTension">Whether its strength limits how hard the line may be pulled.</param>
    internal void AddForce(
        string lineId,
        string what,
        string name,
        double load,
        double worst,
        double rated,
        double factor,
        IReadOnlyList<Reduction> reductions,
        bool limitsTension = true,
        bool estimate = false,
        bool slips = false
    ) =>
        Add(
            $"{lineId}.{what}",
            name,
            lineId,
            LinkQuantity.Force,
            load,
            worst,
            rated,
            factor,
            reductions,
            limitsTension ? context.PlannedTension : 0,
            estimate,
            slips
        );

    /// <param name="limits">The main tension that puts this load on the link; 0 when the load does not follow the
    /// tension or is no question of strength.</param>
    internal void Add(
        string id,
        string name,
        string? lineId,
        LinkQuantity quantity,
        double load,
        double worst,
        double rated,
        double factor,
        IReadOnlyList<Reduction> reductions,
        double limits,
        bool estimate,
        bool slips = false
    )
    {
        var strength = rated;
        for (var i = 0; i < reductions.Count; i++)
        {
            strength *= reductions[i].Keeps;
        }

        worst = Math.Max(worst, load);
        var use = load * factor / strength;
        var link = new Link(
            id,
            name,
            lineId,
            quantity,
            load,
            worst,
            strength,
            rated,
            factor,
            use,
            Link.StateOf(use, slips ? load : worst, strength),
            estimate,
            slips,
            reductions
        );
        links.Add(link);
        if (limits > 0 && use > 0 && limits / use < AllowableTension)
        {
            (AllowableTension, LimitingLink) = (limits / use, link);
        }

        if (context.Workings is { } workings)
        {
            var unit = quantity switch
            {
                LinkQuantity.Force => "N",
                LinkQuantity.Moment => "Nm",
                _ => "MPa",
            };
            var kept = string.Concat(reductions.Select(r => $" · {Figures.Plain(r.Keeps, 3)} ({r.Name})"));
            workings.Add(
                $"link.{id}",
                $"{name}: use",
                "use",
                use,
                "x",
                "use = load · factor / (rated strength · reductions)",
                $"{Figures.With(load, unit, workings.Units, 4)} · {factor:x} / ({Figures.With(rated, unit, workings.Units, 4)}{kept})",
                "M9",
                estimate
            );
        }
    }
}
