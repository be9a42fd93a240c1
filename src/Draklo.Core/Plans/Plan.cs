using System.ComponentModel.DataAnnotations;

namespace Draklo.Core.Plans;

/// <summary>
/// The plan document: what the screen edits, the store keeps, the file holds and the analysis takes. SI units; degrees
/// where a name says Deg; bearings clockwise from north.
/// </summary>
public sealed record Plan
{
    public const string FormatName = "draklo.plan";
    public const int CurrentVersion = 1;

    [Display(Name = "Format", Description = "Always \"draklo.plan\".")]
    public required string Format { get; init; }

    [Display(Name = "Version", Description = "The version of the format; this one is 1.")]
    public required int Version { get; init; }

    [Display(Name = "Name", Description = "What the crew calls this plan.")]
    [MaxLength(120)]
    public string Name { get; init; } = "";

    public required LayMembers Lay { get; init; }

    public required TreeMembers Tree { get; init; }

    public required CutMembers Cut { get; init; }

    public WindMembers Wind { get; init; } = new();

    [Display(Name = "Lines", Description = "One to six pull lines; the first is the main one.")]
    [MinLength(1)]
    [MaxLength(6)]
    public required IReadOnlyList<LineMembers> Lines { get; init; }

    public PolicyMembers Policy { get; init; } = new();

    public ReadingMembers Readings { get; init; } = new();

    public SiteMembers Site { get; init; } = new();

    [Display(Name = "Walk-up list", Description = "What to look at first; left out, nobody keeps a list.")]
    [MaxLength(40)]
    public IReadOnlyList<WalkUpMembers> WalkUp { get; init; } = [];

    [Display(
        Name = "Guesses",
        Description = "Paths of the numbers nobody has measured yet, as in \"tree.crown.massRatio\"."
    )]
    [MaxLength(100)]
    public IReadOnlyList<string> Guesses { get; init; } = [];
}

public sealed record LayMembers
{
    [Display(Name = "Lay", Description = "Where the tree shall fall, degrees clockwise from north.")]
    [Range(0, 360)]
    public required double BearingDeg { get; init; }
}

public sealed record WindMembers
{
    [Display(Name = "Wind speed", Description = "Metres a second at crown height.")]
    [Range(0, 40)]
    public double SpeedMps { get; init; }

    [Display(Name = "Wind from", Description = "The bearing the wind comes from.")]
    [Range(0, 360)]
    public double FromDeg { get; init; }

    [Display(Name = "In leaf", Description = "Whether the crown carries leaves.")]
    public bool InLeaf { get; init; } = true;
}

/// <summary>How careful the crew wants to be, and who said so.</summary>
public sealed record PolicyMembers
{
    [Display(Name = "Policy", Description = "What the crew calls it.")]
    [MaxLength(60)]
    public string? Name { get; init; }

    [Display(Name = "Set by", Description = "Who set these factors.")]
    [MaxLength(60)]
    public string? SetBy { get; init; }

    [Display(Name = "Set on", Description = "yyyy-MM-dd.")]
    [MaxLength(10)]
    public string? SetOn { get; init; }

    [Display(Name = "Load reserve", Description = "Planned tension over needed tension.")]
    [Range(1, 3)]
    public double LoadReserve { get; init; } = 1.3;

    public DesignFactorMembers DesignFactor { get; init; } = new();
}

/// <summary>A policy that the crew keeps under a name, to put on its plans.</summary>
public sealed record Policy
{
    [Display(Name = "Id of the policy")]
    [RegularExpression("^[a-z0-9][a-z0-9-]{0,31}$")]
    public required string Id { get; init; }

    public required PolicyMembers Members { get; init; }
}

/// <summary>Strength wanted over load, by class of link.</summary>
public sealed record DesignFactorMembers
{
    [Display(Name = "Factor for ropes", Description = "Also for the knots in them.")]
    [Range(1, 15)]
    public double Rope { get; init; } = 5;

    [Display(Name = "Factor for slings")]
    [Range(1, 15)]
    public double Sling { get; init; } = 5;

    [Display(Name = "Factor for hardware", Description = "Blocks and connectors.")]
    [Range(1, 15)]
    public double Hardware { get; init; } = 4;

    [Display(Name = "Factor for anchors", Description = "Also for the tree's own roots.")]
    [Range(1, 15)]
    public double Anchor { get; init; } = 2;

    [Display(Name = "Factor for the stem", Description = "Also for a limb that the line lies on.")]
    [Range(1, 15)]
    public double Stem { get; init; } = 3;

    [Display(
        Name = "Factor for grips",
        Description = "Over the load at which a grip creeps: it slips rather than breaks."
    )]
    [Range(1, 15)]
    public double Grip { get; init; } = 1.25;
}
