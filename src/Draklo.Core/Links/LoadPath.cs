using Draklo.Core.Lines;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>Every link from the haulers' hands to the stump, each checked.</summary>
/// <remarks>
/// Method M9. Loads are for the planned tension; worst loads for the hardest heave through the best turns.
/// </remarks>
public sealed class LoadPath(PlanContext context)
{
    private readonly List<Link> links = new(24);

    internal PlanContext Context => context;

    public IReadOnlyList<Link> Links => links;

    /// <summary>Strengths and pieces that the plan does not give.</summary>
    public ReasonList Unknowns { get; } = new(context.Units);

    /// <summary>What the anchors hold, line by line; null for one that is not known or a line that has none.</summary>
    public List<AnchorStrength?> Anchors { get; } = new(2);

    /// <summary>
    /// The main tension at which the first strength is used up with its factor, N; infinite when none is known.
    /// </summary>
    public double AllowableTension { get; private set; } = double.PositiveInfinity;

    /// <summary>The link that <see cref="AllowableTension"/> belongs to.</summary>
    public Link? LimitingLink { get; private set; }

    /// <summary>The tension that the tree may ask at the careful end over the planned one; at least 1.</summary>
    internal double CarefulRatio { get; init; } = 1;

    /// <summary>
    /// What load and strength may add to a use in 95 cases of 100. Each is off by a share at most, triangular, so its
    /// standard deviation is that share over √6; they are taken together as squares.
    /// </summary>
    private static double Careful(double mayRise, double mayFall) =>
        mayRise == 0 && mayFall == 0
            ? 1
            : Math.Exp(CarefulEnd.Deviations * Math.Sqrt(((mayRise * mayRise) + (mayFall * mayFall)) / 6));

    /// <summary>The link with the highest use; the first of equals.</summary>
    public Link Weakest()
    {
        var weakest = links[0];
        foreach (var link in links)
        {
            weakest = link.Use > weakest.Use ? link : weakest;
        }

        return weakest;
    }

    /// <summary>The link that is nearest its limit, as planned or under the hardest heave; the first of equals.</summary>
    public Link Nearest()
    {
        var nearest = links[0];
        foreach (var link in links)
        {
            nearest = link.WorstUse > nearest.WorstUse ? link : nearest;
        }

        return nearest;
    }

    /// <summary>Adds every link of one line.</summary>
    /// <returns>The force on each of its redirects, from the tree outward.</returns>
    public RedirectForce[] AddLine(
        int index,
        in PullLine pulled,
        LineRun run,
        in LineTensions tensions,
        SolvedTackle tackle
    )
    {
        var walk = new LineWalk(this, index, pulled, run, tensions, tackle);
        foreach (var rule in LinkRules.HandsToTree)
        {
            rule.AddTo(walk);
        }

        var redirects = walk.Line.Redirects.Count == 0 ? [] : new RedirectForce[walk.Line.Redirects.Count];
        for (var i = redirects.Length - 1; i >= 0; i--)
        {
            var redirect = new RedirectWalk(walk, i);
            foreach (var rule in LinkRules.AtRedirect)
            {
                rule.AddTo(redirect);
            }

            redirects[i] = redirect.Result();
        }

        foreach (var rule in LinkRules.AtTheEnds)
        {
            rule.AddTo(walk);
        }

        Anchors.Add(walk.AnchorHolds);
        return redirects;
    }

    /// <param name="tension"> The main tension that puts this load on the link; 0 when the load does not follow the
    /// tension. </param>
    /// <param name="carefulUse">Where the careful end of its load is worked out on its own.</param>
    internal void Add(
        LinkRule rule,
        string id,
        string name,
        string? lineId,
        int? place,
        Dimension dimension,
        LinkLoad load,
        LinkRating rating,
        double tension,
        double? carefulUse = null
    )
    {
        var strength = rating.Strength;
        var worst = Math.Max(load.Worst, load.Planned);
        var use = load.Planned * rating.Factor / strength;
        var link = new Link(rule)
        {
            Id = id,
            Name = name,
            LineId = lineId,
            Place = place,
            Dimension = dimension,
            LoadValue = load.Planned,
            WorstLoadValue = worst,
            StrengthValue = strength,
            RatedValue = rating.Rated,
            Factor = rating.Factor,
            Use = use,
            CarefulUse = carefulUse ?? (use * CarefulRatio * Careful(load.MayRise, rating.MayFall)),
            State = Link.StateOf(use, rule.Slips ? load.Planned : worst, strength),
            Estimate = rating.Estimate,
            Reductions = rating.Reductions,
        };
        links.Add(link);
        if (tension > 0 && use > 0 && tension / use < AllowableTension)
        {
            (AllowableTension, LimitingLink) = (tension / use, link);
        }

        if (context.Workings is { } workings)
        {
            var kept = string.Concat(rating.Reductions.Select(r => $" · {Figures.Plain(r.Keeps, 3)} ({r.Name})"));
            workings.Add(
                $"link.{id}",
                $"{name}: use",
                "use",
                use,
                "x",
                "use = load · factor / (rated strength · reductions)",
                $"{link.Load} · {rating.Factor:x} / ({link.Rated}{kept})",
                "M9",
                rating.Estimate
            );
        }
    }
}
