using Draklo.Core.Plans;

namespace Draklo.Core.Briefs;

/// <param name="Number">Counts the issued briefs of a job, from 1.</param>
/// <param name="Revision">Of the job, when it was issued.</param>
public sealed record IssuedBrief(long Number, long Revision, string IssuedAt, string IssuedBy, string Fingerprint)
{
    /// <summary>It came in with an archive: a record, never valid here.</summary>
    public bool FromArchive { get; init; }
}

/// <summary>How a piece of gear stands between yard and tree.</summary>
/// <param name="Piece">Its key on the packing list.</param>
public sealed record PackingTick(string Piece, string? OutAt, string? OutBy, string? BackAt, string? BackBy);

/// <summary>A job as some store has it.</summary>
/// <param name="Revision">Counts saves, from 1.</param>
public sealed record KeptJob(string JobId, int Revision, string Name, string Place, string? PlannedOn, Plan Plan);

/// <summary>What is kept of a job beside its plan and before its day.</summary>
/// <param name="Signatures">All that were made, the earliest first; void ones too.</param>
/// <param name="Issued">The earliest first.</param>
/// <param name="LastCovered">What the page issued last covers; empty while none is.</param>
/// <param name="PeopleWithPin">Names on this job that can sign with a PIN of their own.</param>
/// <param name="Ticks">Gear ticked out and back in.</param>
public sealed record JobPapers(
    IReadOnlyList<Signature> Signatures,
    IReadOnlyList<IssuedBrief> Issued,
    IReadOnlyList<Covered> LastCovered,
    IReadOnlyList<string> PeopleWithPin,
    IReadOnlyList<PackingTick> Ticks
);
