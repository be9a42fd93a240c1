using System.ComponentModel.DataAnnotations;
using Draklo.Core.Briefs;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Store;

namespace Draklo.Web.Briefs;

/// <summary>A brief as it was issued.</summary>
public sealed record IssuedAnswer(IssuedBrief Issued, BriefPage Page);

/// <summary>A name to put under the page.</summary>
public sealed record SignDocument
{
    [Display(Name = "Who signs")]
    public required string Name { get; init; }

    [Display(Name = "PIN", Description = "Their own, or the lead's when the lead signs for them.")]
    public required string Pin { get; init; }

    [Display(Name = "Lead", Description = "Who signs for them; left out, they sign themselves.")]
    public string? Lead { get; init; }

    [Display(Name = "Fingerprint", Description = "Of the page that they read.")]
    public required string Fingerprint { get; init; }
}

public sealed record IssueDocument
{
    [Display(Name = "Lead", Description = "Who issues the brief.")]
    public required string Name { get; init; }

    [Display(Name = "PIN")]
    public required string Pin { get; init; }

    [Display(Name = "Fingerprint", Description = "Of the page that is issued.")]
    public required string Fingerprint { get; init; }
}

/// <summary>A tick on the packing list; what is left out stays.</summary>
public sealed record TickDocument
{
    [Display(Name = "Piece", Description = "Its key on the packing list.")]
    [MaxLength(120)]
    public required string Piece { get; init; }

    [Display(Name = "Out of the yard")]
    public bool? Out { get; init; }

    [Display(Name = "Back in")]
    public bool? Back { get; init; }
}
