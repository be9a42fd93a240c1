namespace Draklo.Core.Plans;

/// <summary>
/// A plan to start from after an earlier one: the crew's gear, tackle, factors and way of cutting stay; all that was seen at
/// that tree is a guess about this one, what follows from its measures follows from the new ones, and what somebody ticked,
/// read, accepted or drew there is not carried over.
/// </summary>
public static class LikePlan
{
    /// <summary>Figures that somebody has to measure at each tree.</summary>
    public static IReadOnlyList<string> OfTheTree { get; } =
    [
        "tree.heightM",
        "tree.dbhM",
        "tree.lean.angleDeg",
        "tree.lean.bearingDeg",
        "tree.crown.baseHeightM",
        "tree.crown.massRatio",
        "tree.crown.reachM.north",
        "tree.crown.reachM.east",
        "tree.crown.reachM.south",
        "tree.crown.reachM.west",
        "cut.stumpDiameterM",
    ];

    private static readonly string[] OfALine =
    [
        "seat.heightM",
        "anchor.distanceM",
        "anchor.bearingDeg",
        "anchor.groundRiseM",
    ];

    private static readonly string[] SeenThere = ["tree.", "lay.", "wind.", "readings.", "site.", "cut.stump"];

    public static Plan Of(Plan like)
    {
        var guessed = OfTheTree
            .Concat(like.Lines.SelectMany((_, i) => OfALine.Select(member => $"lines[{i}].{member}")))
            .ToList();
        var provenance = like
            .Provenance.Where(p => !SeenThere.Any(s => p.Key.StartsWith(s, StringComparison.Ordinal)))
            .ToDictionary(p => p.Key, p => p.Value, StringComparer.Ordinal);
        foreach (var path in guessed)
        {
            provenance[path] = Provenance.Guess;
        }

        return Following.Applied(
            like with
            {
                Tree = like.Tree with { Soundness = 1, Decay = null, Condition = new(), Mass = new() },
                Wind = like.Wind with { SpeedMps = null, GustMps = null },
                Lines =
                [
                    .. like.Lines.Select(l =>
                        l with
                        {
                            Redirects = [],
                            Anchor = l.Anchor with { Name = "" },
                            Puller = l.Puller with { Place = null },
                        }
                    ),
                ],
                Crew = [.. like.Crew.Select(c => c with { Place = null })],
                Help = like.Help with { MeetAt = null, NearestRoad = null },
                Work = like.Work with { Loads = null },
                Readings = new(),
                Site = new() { AimErrorDeg = like.Site.AimErrorDeg },
                WalkUp = [.. like.WalkUp.Select(w => w with { TickedBy = null, TickedAt = null })],
                Guesses = [],
                // The gear stays as it is; what hangs on the tree's measures moves with the new ones.
                Follows = [.. Following.Usual.Where(path => !path.Contains(".rope.", StringComparison.Ordinal))],
                Provenance = provenance,
                Accepted = [],
            }
        );
    }
}
