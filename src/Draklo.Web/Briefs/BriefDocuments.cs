using System.ComponentModel.DataAnnotations;
using Draklo.Core.Briefs;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Store;

namespace Draklo.Web.Briefs;

/// <summary>How the brief of a job stands.</summary>
public enum BriefState
{
    /// <summary>Something holds it, or nobody has issued it yet.</summary>
    NotIssued,

    /// <summary>The page as it stands is the one issued last.</summary>
    Issued,

    /// <summary>One was issued, and the plan has moved since.</summary>
    ChangedSince,
}

/// <summary>All of a page: what it says and what its drawings are made from.</summary>
/// <param name="Units">That its sentences are written in.</param>
public sealed record BriefPage(
    string Name,
    string Place,
    string? PlannedOn,
    UnitSystem Units,
    Brief Brief,
    Plan Plan,
    Core.Analyses.Analysis Analysis,
    IReadOnlyList<Signature> Signatures
)
{
    /// <summary>Of the clearing, for its drawings; left out where there is none.</summary>
    public Core.Clearing.ClearingAnalysis? Clearing { get; init; }
}

/// <summary>A job's brief as it stands now.</summary>
/// <param name="Number">Of the brief issued last; 0 while none is.</param>
/// <param name="ChangedSinceIssue">What moved since the last issue, old and new.</param>
/// <param name="PeopleWithPin">Names on this job that can sign with a PIN of their own.</param>
/// <param name="Ticks">Gear ticked out and back in.</param>
public sealed record BriefAnswer(
    string JobId,
    int Revision,
    BriefState State,
    long Number,
    BriefPage Page,
    SignOff SignOff,
    IReadOnlyList<IssuedBrief> Issued,
    IReadOnlyList<CoveredChange> ChangedSinceIssue,
    IReadOnlyList<string> PeopleWithPin,
    IReadOnlyList<PackingTick> Ticks
);

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
