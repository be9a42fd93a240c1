using System.ComponentModel.DataAnnotations;
using Draklo.Core.Briefs;
using Draklo.Core.Pulling;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Web.Pulling;

/// <summary>What changed at the tree.</summary>
public sealed record ChangeDocument : IDocumentPart
{
    [Display(Name = "Key", Description = "Made by whoever sends it: the same key twice is the same change.")]
    [RegularExpression(Ids.KeyPattern, ErrorMessage = Ids.KeyFault)]
    public required string Key { get; init; }

    [Display(Name = "By")]
    [MaxLength(60)]
    public required string By { get; init; }

    public required ChangeKind What { get; init; }

    [Display(Name = "Line")]
    [MaxLength(32)]
    public string? LineId { get; init; }

    [Display(Name = "Seat height now", Description = "Above the ground, metres.")]
    [Range(0.5, 80)]
    public double? SeatHeightM { get; init; }

    [Display(Name = "People hauling")]
    [Range(1, 30)]
    public int? People { get; init; }

    [Display(Name = "Wind", Description = "Steady, metres a second.")]
    [Range(0, 40)]
    public double? WindMps { get; init; }

    [Display(Name = "Gusts", Description = "Metres a second.")]
    [Range(0, 60)]
    public double? GustMps { get; init; }

    [Display(Name = "Wind from", Description = "The bearing it comes from.")]
    [Range(0, 360)]
    public double? WindFromDeg { get; init; }

    [Display(Name = "Put it in the plan", Description = "Left out, it is only worked out.")]
    public bool Apply { get; init; }
}

public enum ChangeKind
{
    SeatDropped,
    Haulers,
    Wind,
}

/// <summary>What the plan says with the change in it.</summary>
/// <param name="Words">The change in one sentence.</param>
/// <param name="Moves">Figures and places that move, old and new.</param>
/// <param name="Voids">Whether signatures fall with it.</param>
/// <param name="Do">What would make it hold again, the best first.</param>
/// <param name="Day">The day with the change in it, once it is applied.</param>
public sealed record ChangeAnswer(
    string Words,
    VerdictState State,
    string Summary,
    IReadOnlyList<CoveredChange> Moves,
    bool Voids,
    IReadOnlyList<string> Do,
    PullingAnswer? Day
);

/// <summary>Readings of a load cell that a tablet has in its hands.</summary>
public sealed record CellReadings : IDocumentPart
{
    [Display(Name = "Load cell", Description = "Its own name.")]
    [RegularExpression(
        "^[A-Za-z0-9 ._-]{1,40}$",
        ErrorMessage = "takes letters from A to Z, digits, spaces, points, hyphens and underscores, 1 to 40 of them."
    )]
    public required string Cell { get; init; }

    [Display(
        Name = "Session",
        Description = "Made new whenever the cell was switched on and counts from the beginning: the same number in the same session is the same reading."
    )]
    [RegularExpression(
        "^[A-Za-z0-9-]{1,64}$",
        ErrorMessage = "takes letters from A to Z, digits and hyphens, 1 to 64 of them."
    )]
    public required string Session { get; init; }

    [Display(Name = "Line")]
    [MaxLength(32)]
    public required string LineId { get; init; }

    [Display(Name = "Unit", Description = "N, daN, kN, kgf or lbf.")]
    [MaxLength(12)]
    public required string Unit { get; init; }

    [Display(Name = "Readings")]
    [MaxLength(600)]
    public required IReadOnlyList<CellReading> Readings { get; init; }
}

/// <param name="Sequence">Counts the cell's readings.</param>
/// <param name="Value">As the cell sent it, in the parcel's unit, below zero too: the server judges it.</param>
/// <param name="AgoS">Seconds since it was read, to the millisecond; left out, it was read now.</param>
public sealed record CellReading(long Sequence, double Value, double? AgoS = null);

/// <summary>What became of them, kept before it is answered.</summary>
public sealed record CellKept(int Taken, int Repeated, int Doubtful, int Refused, long Missed, string Trouble);

/// <summary>What those who watch a day are sent.</summary>
/// <param name="Entries">Number of the last entry of the day: ask for the day again when it grows.</param>
/// <param name="TensionN">Of a reading; null for word of an entry.</param>
public sealed record LiveMessage(
    long Entries,
    string? LineId,
    long AtMs,
    double? TensionN,
    double? LeanDeg,
    bool Doubtful,
    long Missed,
    string Trouble
);
