using System.Collections.ObjectModel;
using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>
/// The plan document: what the screen edits, the store keeps, the file holds and the analysis takes. SI units; degrees
/// where a name says Deg; bearings clockwise from north.
/// </summary>
public sealed record Plan : IDocumentPart, IAsRead<Plan>
{
    public const string FormatName = "draklo.plan";
    public const int CurrentVersion = 1;

    [Display(Name = "Format", Description = "Always \"draklo.plan\".")]
    public required string Format { get; init; }

    [Display(Name = "Version", Description = "The version of the format; this one is 1.")]
    [Measure("count")]
    public required int Version { get; init; }

    [Display(Name = "Name", Description = "What the crew calls this plan.")]
    [MaxLength(120)]
    public string Name { get; init; } = "";

    [Display(Name = "Place", Description = "Of the job; in files only, a kept job has it beside its plan.")]
    [MaxLength(120)]
    public string? Place { get; init; }

    [Display(Name = "Day", Description = "yyyy-MM-dd; in files only, a kept job has it beside its plan.")]
    [MaxLength(10)]
    public string? PlannedOn { get; init; }

    [Station("lay")]
    public required LayMembers Lay { get; init; }

    [Station("size")]
    public required TreeMembers Tree { get; init; }

    [Station("cuts")]
    public required CutMembers Cut { get; init; }

    [Station("size")]
    public WindMembers Wind { get; init; } = new();

    [Display(Name = "Lines", Description = "One to six pull lines; the first is the main one.")]
    [MinLength(1)]
    [MaxLength(6)]
    [Station("line")]
    public required IReadOnlyList<LineMembers> Lines { get; init; }

    [Station("factors")]
    public PolicyMembers Policy { get; init; } = new();

    [Station("size")]
    public ReadingMembers Readings { get; init; } = new();

    [Station("lay")]
    public SiteMembers Site { get; init; } = new();

    [Display(Name = "Crew", Description = "Who does what on this job, and where they stand.")]
    [MaxLength(20)]
    [Station("people")]
    public IReadOnlyList<CrewMembers> Crew { get; init; } = [];

    [Station("people")]
    public HelpMembers Help { get; init; } = new();

    [Display(Name = "Signs", Description = "Left out, the usual four.")]
    [MaxLength(8)]
    [Station("people")]
    public IReadOnlyList<SignalMembers> Signals { get; init; } = [];

    [Station("day")]
    public WorkMembers Work { get; init; } = new();

    [Display(Name = "Clearing", Description = "Left out, nobody has planned it.")]
    public ClearingMembers? Clearing { get; init; }

    [Display(Name = "Walk-up list", Description = "What to look at first; left out, nobody keeps a list.")]
    [MaxLength(40)]
    [Station("walk")]
    public IReadOnlyList<WalkUpMembers> WalkUp { get; init; } = [];

    [Display(
        Name = "Guesses",
        Description = "Paths of the numbers nobody has measured yet, as in \"tree.crown.massRatio\"."
    )]
    [MaxLength(100)]
    public IReadOnlyList<string> Guesses { get; init; } = [];

    [Display(
        Name = "Follows",
        Description = "Paths of figures that nobody has set and that follow from others, as in \"cut.stumpDiameterM\": read with the plan, they stand as they follow, whatever they were written as."
    )]
    [MaxLength(60)]
    public IReadOnlyList<string> Follows { get; init; } = [];

    [Display(
        Name = "Provenance",
        Description = "Where figures come from, by member path: measured, given, label, locker, table, default or guess. A default is a guess until somebody confirms it; what is not listed was given."
    )]
    public IReadOnlyDictionary<string, Provenance> Provenance { get; init; } = NoProvenance;

    [Display(
        Name = "Crew's own figures",
        Description = "Figures learned from jobs and trials; each also has the provenance crew."
    )]
    [MaxLength(40)]
    public IReadOnlyList<OwnMembers> Ours { get; init; } = [];

    [Display(Name = "Accepted checks", Description = "Checks that somebody takes on by name.")]
    [MaxLength(60)]
    public IReadOnlyList<AcceptedMembers> Accepted { get; init; } = [];

    private static readonly ReadOnlyDictionary<string, Provenance> NoProvenance = ReadOnlyDictionary<
        string,
        Provenance
    >.Empty;

    /// <summary>Every member that is a guess: those listed as guesses, and those whose provenance says so.</summary>
    public IEnumerable<string> AllGuesses()
    {
        foreach (var path in Guesses)
        {
            if (!Provenance.ContainsKey(path))
            {
                yield return path;
            }
        }

        foreach (var (path, from) in Provenance)
        {
            if (IsUnconfirmed(from))
            {
                yield return path;
            }
        }
    }

    /// <inheritdoc/>
    Plan IAsRead<Plan>.AsRead() => Following.Applied(PlanPaths.ByPlace(this));

    internal static bool IsUnconfirmed(Provenance from) =>
        from is Plans.Provenance.Guess or Plans.Provenance.Default or Plans.Provenance.Simulated;

    /// <summary>Whether nobody has measured a member yet.</summary>
    public bool IsGuess(string path)
    {
        if (Provenance.TryGetValue(path, out var from))
        {
            return IsUnconfirmed(from);
        }

        for (var i = 0; i < Guesses.Count; i++)
        {
            if (Guesses[i] == path)
            {
                return true;
            }
        }

        return false;
    }
}

public sealed record LayMembers : IDocumentPart
{
    [Display(Name = "Lay toward", Description = "Where the tree should fall, degrees clockwise from north.")]
    [Range(0, 360)]
    [Measure("angle")]
    public required double BearingDeg { get; init; }
}

public sealed record WindMembers : IDocumentPart
{
    [Display(
        Name = "Wind speed",
        Description = "Steady, metres a second at crown height. Left out, nobody has looked; 0 is a calm."
    )]
    [Range(0, 40)]
    [Measure("speed", Empty = "not looked")]
    public double? SpeedMps { get; init; }

    [Display(
        Name = "Gusts expected",
        Description = "The strongest gust forecast or seen for the hours of the job, metres a second."
    )]
    [Range(0, 60)]
    [Measure("speed", Empty = "not known")]
    public double? GustMps { get; init; }

    [Display(Name = "Wind from", Description = "The bearing the wind comes from.")]
    [Range(0, 360)]
    [Measure("angle", Step = 5)]
    public double FromDeg { get; init; }

    [Display(Name = "In leaf", Description = "Whether the crown carries leaves.")]
    public bool InLeaf { get; init; } = true;
}
