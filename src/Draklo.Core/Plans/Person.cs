using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>One of the crew, as its book has them.</summary>
public sealed record Person : IDocumentPart
{
    [Display(Name = "Id of the person")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    [Display(Name = "First name")]
    [MaxLength(40)]
    public required string Name { get; init; }

    [Display(Name = "Roles", Description = "What they do on jobs, the usual one first.")]
    [MaxLength(8)]
    public IReadOnlyList<JobRole> Roles { get; init; } = [];

    [Display(Name = "Can climb")]
    public bool CanClimb { get; init; }

    [Display(Name = "First aid", Description = "Trained in it.")]
    public bool FirstAid { get; init; }

    [Display(Name = "Steady pull", Description = "What they keep up on a rope, newtons; left out, nobody has tried.")]
    [Range(50, 600)]
    [Measure("force")]
    public double? EffortN { get; init; }
}

/// <summary>A plan that the crew starts new jobs from.</summary>
public sealed record JobTemplate : IDocumentPart
{
    [Display(Name = "Id of the template")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    [Display(Name = "Name")]
    [MaxLength(120)]
    public required string Name { get; init; }

    public required Plan Plan { get; init; }
}
