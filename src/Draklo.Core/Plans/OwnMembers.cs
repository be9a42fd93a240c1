using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>A figure of this plan that the crew learned itself, and what stood in its place.</summary>
public sealed record OwnMembers : IDocumentPart
{
    [Display(Name = "Path", Description = "The member that holds the figure.")]
    [MaxLength(120)]
    public required string Path { get; init; }

    [Display(Name = "Figure", Description = "What it is, in words.")]
    [MaxLength(120)]
    public required string Name { get; init; }

    [Display(Name = "From", Description = "How many jobs, landings or trials it rests on.")]
    [Range(1, 100_000)]
    [Measure("count")]
    public required int Count { get; init; }

    [Display(Name = "Of what", Description = "pulls, landings, trials, in words.")]
    [MaxLength(40)]
    public string Of { get; init; } = "jobs";

    [Display(Name = "Table's figure", Description = "What stands where the crew has none of its own.")]
    [Measure("ratio")]
    public double? Table { get; init; }
}

/// <summary>A figure with how far it may be off, as the crew found it.</summary>
public sealed record OwnPassMembers : IDocumentPart
{
    [Display(Name = "Passes at least", Description = "Share of the tension that a half turn passes on.")]
    [Range(0.05, 0.995)]
    [Measure("ratio")]
    public required double Low { get; init; }

    [Display(Name = "Passes", Description = "Share of the tension that a half turn passes on, usually.")]
    [Range(0.05, 0.995)]
    [Measure("ratio")]
    public required double Nominal { get; init; }

    [Display(Name = "Passes at most", Description = "Share of the tension that a half turn passes on, at best.")]
    [Range(0.05, 0.995)]
    [Measure("ratio")]
    public required double High { get; init; }
}

/// <summary>How far a wood bends before its hinge lets go, as the crew found it.</summary>
public sealed record OwnHoldMembers : IDocumentPart
{
    [Display(Name = "Holds at least", Description = "Degrees.")]
    [Range(1, 120)]
    [Measure("angle")]
    public required double LowDeg { get; init; }

    [Display(Name = "Holds", Description = "Degrees, usually.")]
    [Range(1, 120)]
    [Measure("angle")]
    public required double NominalDeg { get; init; }

    [Display(Name = "Holds at most", Description = "Degrees.")]
    [Range(1, 120)]
    [Measure("angle")]
    public required double HighDeg { get; init; }
}
