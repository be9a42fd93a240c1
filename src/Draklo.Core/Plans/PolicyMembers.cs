using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>How careful the crew wants to be, and who said so.</summary>
public sealed record PolicyMembers : IDocumentPart
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
    [Measure("ratio")]
    public double LoadReserve { get; init; } = 1.3;

    public DesignFactorMembers DesignFactor { get; init; } = new();
}

/// <summary>A policy that the crew keeps under a name, to put on its plans.</summary>
public sealed record Policy : IDocumentPart
{
    [Display(Name = "Id of the policy")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    public required PolicyMembers Members { get; init; }
}

/// <summary>Strength wanted over load, by class of link.</summary>
public sealed record DesignFactorMembers : IDocumentPart
{
    [Display(Name = "Factor for ropes", Description = "Also for the knots in them.")]
    [Range(1, 15)]
    [Measure("ratio", Step = 0.5)]
    public double Rope { get; init; } = 5;

    [Display(Name = "Factor for slings")]
    [Range(1, 15)]
    [Measure("ratio", Step = 0.5)]
    public double Sling { get; init; } = 5;

    [Display(Name = "Factor for hardware", Description = "Blocks and connectors.")]
    [Range(1, 15)]
    [Measure("ratio", Step = 0.5)]
    public double Hardware { get; init; } = 4;

    [Display(Name = "Factor for anchors", Description = "Also for the tree's own roots.")]
    [Range(1, 15)]
    [Measure("ratio", Step = 0.5)]
    public double Anchor { get; init; } = 2;

    [Display(Name = "Factor for the stem", Description = "Also for a limb that the line lies on.")]
    [Range(1, 15)]
    [Measure("ratio", Step = 0.5)]
    public double Stem { get; init; } = 3;

    [Display(
        Name = "Factor for friction hitches",
        Description = "Over the load at which a grip creeps: it slips rather than breaks."
    )]
    [Range(1, 15)]
    [Measure("ratio", Step = 0.25)]
    public double Grip { get; init; } = 1.25;
}
