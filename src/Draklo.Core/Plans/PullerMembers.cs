using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

public sealed record PullerMembers : IDocumentPart
{
    [Display(Name = "Who hauls", Description = "people, machine, vehicle or handWinch.")]
    public PullerKind Kind { get; init; }

    [Display(Name = "People who haul")]
    [Range(1, 20)]
    [Measure("count")]
    public int Count { get; init; } = 1;

    [Display(Name = "Each keeps up", Description = "What one of them keeps up, newtons.")]
    [Range(50, 600)]
    [Measure("force", Step = 0.01, CanBeMeasured = true)]
    public double EffortEachN { get; init; } = 250;

    [Display(Name = "Footing", Description = "Of people: good, poor or leaning, with their weight on the rope.")]
    public Footing Footing { get; init; }

    [Display(
        Name = "Vehicle that pulls",
        Description = "Its mass, the share on driven wheels, what it stands on, and the slope it drives up."
    )]
    public AnchorWeightMembers? Vehicle { get; init; }

    [Display(
        Name = "Machine or winch keeps up",
        Description = "What it keeps up on the rope, newtons; a jerk counts as a quarter more."
    )]
    [Range(500, 500_000)]
    [Measure("force", Step = 1, CanBeMeasured = true)]
    public double? MachineN { get; init; }

    [Display(
        Name = "Speed when the line comes tight",
        Description = "Of a vehicle or a machine that drives, metres a second. Left out, it starts from a tight line."
    )]
    [Range(0, 5)]
    [Measure("speed", Step = 0.5, Empty = "from standing")]
    public double? ArrivesMps { get; init; }

    [Display(
        Name = "What holds the machine or winch",
        Description = "Where it hauls on a tackle that hangs on an anchor of its own. Left out, the plan says it is not known."
    )]
    public AnchorMembers? Anchor { get; init; }

    [Display(Name = "Where they stand", Description = "Left out, three metres past the anchor in line with the pull.")]
    public PlaceMembers? Place { get; init; }
}

public enum Footing
{
    /// <summary>Level and dry, with gloves: what each keeps up is as given.</summary>
    Good,

    /// <summary>Wet, steep or stony: seven tenths of it.</summary>
    Poor,

    /// <summary>Bodies leaned into it: as given, which is then near seven tenths of a body's weight.</summary>
    Leaning,
}

public enum PullerKind
{
    People,

    /// <summary>A winch or machine with a pull of its own.</summary>
    Machine,

    /// <summary>A vehicle that drives away with the rope.</summary>
    Vehicle,

    /// <summary>A winch worked by hand.</summary>
    HandWinch,
}

/// <summary>
/// Turns round a drum between the puller and the rope, their tail held by hand: it slips before something breaks.
/// </summary>
public sealed record LimiterMembers : IDocumentPart
{
    [Display(Name = "Turns on the drum", Description = "Whole turns.")]
    [Range(1, 8)]
    [Measure("count")]
    public int Turns { get; init; } = 2;

    [Display(
        Name = "Friction, at least",
        Description = "Of this rope on this drum; the table says 0.12 where nobody has tried it."
    )]
    [Range(0.05, 0.6)]
    [Measure("ratio", Step = 0.01, CanBeMeasured = true)]
    public double FrictionLow { get; init; } = 0.12;

    [Display(Name = "Friction, as tried", Description = "The middle figure; the table says 0.20.")]
    [Range(0.05, 0.6)]
    [Measure("ratio", Step = 0.01, CanBeMeasured = true)]
    public double Friction { get; init; } = 0.20;

    [Display(Name = "Friction, at most", Description = "The table says 0.25.")]
    [Range(0.05, 0.6)]
    [Measure("ratio", Step = 0.01)]
    public double FrictionHigh { get; init; } = 0.25;

    [Display(Name = "A light hand holds", Description = "What the hand on the tail holds at least, newtons.")]
    [Range(20, 1000)]
    [Measure("force", Step = 0.01, CanBeMeasured = true)]
    public double HoldLowN { get; init; } = 80;

    [Display(Name = "Hand on the tail holds", Description = "What it usually holds, newtons.")]
    [Range(20, 1000)]
    [Measure("force", Step = 0.01, CanBeMeasured = true)]
    public double HoldN { get; init; } = 150;

    [Display(Name = "A firm hand holds", Description = "What it holds at most, newtons.")]
    [Range(20, 1000)]
    [Measure("force", Step = 0.01)]
    public double HoldHighN { get; init; } = 250;

    [Display(Name = "Drum of the locker")]
    [MaxLength(40)]
    public string? ItemId { get; init; }
}
