using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>What somebody does on this job.</summary>
public enum JobRole
{
    /// <summary>Decides, gives the signs, signs the brief first.</summary>
    Lead,

    /// <summary>Cuts.</summary>
    Faller,
    Hauler,

    /// <summary>Works the winch, the machine or the vehicle.</summary>
    Machine,

    /// <summary>Sees the top and says what it does.</summary>
    Watcher,
    Climber,

    /// <summary>Keeps a road or a path closed.</summary>
    Road,
    Learner,
}

/// <summary>One of the people on this job, with what they do and where they stand.</summary>
public sealed record CrewMembers : IDocumentPart
{
    [Display(Name = "Person", Description = "Short name in the crew's book; left out for somebody who is not in it.")]
    [MaxLength(40)]
    public string? PersonId { get; init; }

    [Display(Name = "Name", Description = "First name, different for each.")]
    [MaxLength(40)]
    public required string Name { get; init; }

    [Display(Name = "Role", Description = "lead, faller, hauler, machine, watcher, climber, road or learner.")]
    public required JobRole Role { get; init; }

    [Display(Name = "Line", Description = "Of a hauler or of who works the machine: the line; left out, the main one.")]
    [MaxLength(32)]
    public string? LineId { get; init; }

    [Display(
        Name = "Where they stand",
        Description = "Left out, a place is worked out: haulers by their line, the faller at the end of the first clear escape route, others where nothing reaches."
    )]
    public PlaceMembers? Place { get; init; }

    [Display(
        Name = "Shelter",
        Description = "What they stand behind or sit in while the line is loaded, as a closed cab or a shield; left out, nothing."
    )]
    [MaxLength(60)]
    public string? Shelter { get; init; }

    [Display(
        Name = "Helps at the stump",
        Description = "The one who stands with the faller, with an escape route of their own, and is out before the pull."
    )]
    public bool HelpsAtStump { get; init; }

    [Display(Name = "Can climb")]
    public bool CanClimb { get; init; }

    [Display(Name = "First aid", Description = "Trained in it.")]
    public bool FirstAid { get; init; }
}

/// <summary>What everybody must know if it goes wrong.</summary>
public sealed record HelpMembers : IDocumentPart
{
    [Display(Name = "Meeting point")]
    [MaxLength(120)]
    public string? MeetAt { get; init; }

    [Display(Name = "Nearest road", Description = "As somebody would tell an ambulance.")]
    [MaxLength(120)]
    public string? NearestRoad { get; init; }

    [Display(Name = "Who calls for help")]
    [MaxLength(60)]
    public string? Caller { get; init; }

    [Display(Name = "Number to call")]
    [MaxLength(40)]
    public string? Number { get; init; }

    [Display(Name = "First aid kit", Description = "Where it is.")]
    [MaxLength(120)]
    public string? KitAt { get; init; }
}

/// <summary>A sign that somebody gives, and what it means.</summary>
public sealed record SignalMembers : IDocumentPart
{
    [Display(Name = "Sign")]
    [MaxLength(60)]
    public required string Sign { get; init; }

    [Display(Name = "Means")]
    [MaxLength(120)]
    public required string Means { get; init; }

    [Display(Name = "Given by", Description = "A role or a name; left out, anybody.")]
    [MaxLength(40)]
    public string? By { get; init; }
}
