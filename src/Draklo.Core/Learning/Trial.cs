using System.ComponentModel.DataAnnotations;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Core.Learning;

public enum TrialKind
{
    /// <summary>A leaning tree let down on its hinge, step by step, until it breaks.</summary>
    Hinge,

    /// <summary>A weight over a redirect or round a drum, pulled up and let down past a scale.</summary>
    Friction,

    /// <summary>A friction hitch loaded until it creeps.</summary>
    Grip,

    /// <summary>What people keep up on a rope.</summary>
    Pull,

    /// <summary>How high a throw line comes.</summary>
    Throw,
}

/// <summary>Something that a crew tried at leisure. It is kept from its first step on, and may be left half done.</summary>
public sealed record Trial : IDocumentPart
{
    [Display(Name = "Id of the trial")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    [Display(Name = "Kind")]
    public required TrialKind Kind { get; init; }

    [Display(Name = "Day", Description = "yyyy-MM-dd.")]
    [MaxLength(10)]
    public required string On { get; init; }

    [Display(Name = "Led by")]
    [MaxLength(60)]
    public required string By { get; init; }

    [Display(Name = "Finished", Description = "Only a finished trial counts.")]
    public bool Finished { get; init; }

    [Display(Name = "Given up", Description = "Why it ended before its end.")]
    [MaxLength(200)]
    public string? GivenUp { get; init; }

    [Display(Name = "Species", Description = "Of a hinge trial.")]
    [MaxLength(40)]
    public string? SpeciesId { get; init; }

    [Display(Name = "Notch opens", Description = "Of a hinge trial, degrees.")]
    [Range(10, 180)]
    public double? NotchDeg { get; init; }

    [Display(Name = "Hinge thickness", Description = "Of a hinge trial, metres.")]
    [Range(0.005, 0.6)]
    public double? HingeThicknessM { get; init; }

    [Display(Name = "Turn", Description = "Of a friction trial over a redirect: an id of the contact table.")]
    [MaxLength(40)]
    public string? ContactId { get; init; }

    [Display(
        Name = "Turned through",
        Description = "Of a friction trial over a redirect, degrees; 180 hangs both ends down."
    )]
    [Range(20, 180)]
    public double TurnedDeg { get; init; } = 180;

    [Display(Name = "Turns on the drum", Description = "Of a friction trial on a drum.")]
    [Range(0.25, 8)]
    public double? DrumTurns { get; init; }

    [Display(Name = "Grip", Description = "An id of the grip table.")]
    [MaxLength(40)]
    public string? GripId { get; init; }

    [Display(Name = "Thrown by", Description = "hand, twoHands, catapult, pole or climber.")]
    public SettingWay? Way { get; init; }

    [Display(Name = "Person", Description = "Who pulls or throws.")]
    [MaxLength(60)]
    public string? Person { get; init; }

    [Display(Name = "Guesses", Description = "What everybody said before it began.")]
    [MaxLength(20)]
    public IReadOnlyList<TrialGuess> Guesses { get; init; } = [];

    [Display(Name = "Readings")]
    [MaxLength(100)]
    public IReadOnlyList<TrialReading> Readings { get; init; } = [];
}

public sealed record TrialGuess : IDocumentPart
{
    [Display(Name = "Name")]
    [MaxLength(60)]
    public required string Name { get; init; }

    [Display(Name = "Guess", Description = "In the trial's own unit: degrees, a share, newtons or metres.")]
    [Range(0, 100_000)]
    public required double Value { get; init; }
}

/// <summary>One step of a trial; what it holds depends on the kind.</summary>
public sealed record TrialReading : IDocumentPart
{
    [Display(Name = "Lean", Description = "Hinge: degrees turned so far.")]
    [Range(0, 120)]
    public double? LeanDeg { get; init; }

    [Display(Name = "Cracks heard", Description = "Hinge: since the step before.")]
    [Range(0, 200)]
    public int? Cracks { get; init; }

    [Display(Name = "It broke", Description = "Hinge: at this lean.")]
    public bool Broke { get; init; }

    [Display(
        Name = "Pulling up",
        Description = "Friction: what the scale reads while the weight rises slowly, newtons."
    )]
    [Range(1, 20_000)]
    public double? UpN { get; init; }

    [Display(Name = "Letting down", Description = "Friction: what it reads while the weight sinks slowly, newtons.")]
    [Range(0.1, 20_000)]
    public double? DownN { get; init; }

    [Display(
        Name = "It reads",
        Description = "Grip: where it began to creep; pull: what is kept up for ten seconds; newtons."
    )]
    [Range(10, 100_000)]
    public double? ReadN { get; init; }

    [Display(Name = "Height", Description = "Throw: of the union that the line came over, metres.")]
    [Range(1, 60)]
    public double? HeightM { get; init; }

    [Display(Name = "Tries", Description = "Throw: until it sat.")]
    [Range(1, 200)]
    public int? Tries { get; init; }
}
