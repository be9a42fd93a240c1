using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>Where a figure comes from.</summary>
public enum Provenance
{
    /// <summary>Somebody measured it here.</summary>
    Measured,

    /// <summary>Somebody said so.</summary>
    Given,

    /// <summary>Read from the piece.</summary>
    Label,

    /// <summary>Of the piece in the crew's locker.</summary>
    Locker,

    /// <summary>A figure of the catalogue.</summary>
    Table,

    /// <summary>Filled in by the product; a guess until somebody confirms it.</summary>
    Default,

    Guess,

    /// <summary>A reading of a simulated instrument; a guess until a real one replaces it.</summary>
    Simulated,

    /// <summary>The crew's own figure, learned from its jobs and trials.</summary>
    Crew,
}

/// <summary>A check that somebody takes on by name. It lapses when the figures that it rests on change.</summary>
public sealed record AcceptedMembers : IDocumentPart
{
    [Display(Name = "Code of the check", Description = "As the verdict names it.")]
    [MaxLength(60)]
    public required string Code { get; init; }

    [Display(Name = "Member", Description = "The member that the check points at, where it points at one.")]
    [MaxLength(120)]
    public string? Path { get; init; }

    [Display(Name = "Accepted by")]
    [MaxLength(60)]
    public required string By { get; init; }

    [Display(Name = "Accepted at", Description = "Date and time with its offset.")]
    [MaxLength(40)]
    public required string At { get; init; }

    [Display(Name = "Because")]
    [MaxLength(300)]
    public required string Because { get; init; }

    [Display(Name = "Figures then", Description = "What the check said when it was accepted, by name.")]
    [Measure("ratio")]
    public IReadOnlyDictionary<string, double>? Values { get; init; }
}
