using System.ComponentModel.DataAnnotations;
using Draklo.Core.Briefs;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;

namespace Draklo.Web.Briefs;

/// <summary>A brief as it was issued.</summary>
public sealed record IssuedAnswer(IssuedBrief Issued, BriefPage Page);

/// <summary>What somebody gives with their PIN, now or out of range a while ago.</summary>
public abstract record GivenDocument : IDocumentPart
{
    [Display(Name = "PIN", Description = "Their own, or the lead's when the lead signs for them.")]
    public string Pin { get; init; } = "";

    [Display(Name = "Fingerprint", Description = "Of the page that they read.")]
    public required string Fingerprint { get; init; }

    [Display(
        Name = "Sealed PIN",
        Description = "In place of the PIN given offline: sealed with the key that tablets download, for this job, name and fingerprint."
    )]
    [MaxLength(1000)]
    public string? SealedPin { get; init; }

    [Display(Name = "Given so long ago", Description = "Seconds; left out, it is given now.")]
    [Range(0, 30 * 86_400)]
    public double? AgoS { get; init; }
}

/// <summary>A name to put under the page.</summary>
public sealed record SignDocument : GivenDocument
{
    [Display(Name = "Who signs")]
    public required string Name { get; init; }

    [Display(Name = "Lead", Description = "Who signs for them; left out, they sign themselves.")]
    public string? Lead { get; init; }
}

public sealed record IssueDocument : GivenDocument
{
    [Display(Name = "Lead", Description = "Who issues the brief.")]
    public required string Name { get; init; }
}

/// <summary>A tick on the packing list; what is left out stays.</summary>
public sealed record TickDocument : IDocumentPart
{
    [Display(Name = "Piece", Description = "Its key on the packing list.")]
    [MaxLength(120)]
    public required string Piece { get; init; }

    [Display(Name = "Out of the yard")]
    public bool? Out { get; init; }

    [Display(Name = "Back in")]
    public bool? Back { get; init; }

    [Display(Name = "Ticked so long ago", Description = "Seconds; left out, it is ticked now.")]
    [Range(0, 30 * 86_400)]
    public double? AgoS { get; init; }
}
