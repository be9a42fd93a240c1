using System.ComponentModel.DataAnnotations;
using Draklo.Core.Plans;

namespace Draklo.Core.Tackle;

/// <summary>Ropes, fixed points and moving points on one haul axis.</summary>
/// <remarks>
/// Method M7. Which way a leg pulls a point follows from the positions alone; their distances do not matter.
/// </remarks>
public sealed record Arrangement
{
    [Display(Name = "Points", Description = "One load, one hand, and the fixed and moving points between them.")]
    [MaxLength(ArrangementRules.MostPoints)]
    public required IReadOnlyList<TacklePoint> Points { get; init; }

    [Display(Name = "Ropes", Description = "Each followed from its hauling end; exactly one starts at the hand.")]
    [MaxLength(ArrangementRules.MostRopes)]
    public required IReadOnlyList<TackleRope> Ropes { get; init; }
}

public sealed record TacklePoint
{
    [Display(Name = "Point")]
    public required string Id { get; init; }

    [Display(Name = "Position", Description = "Along the haul axis, any unit.")]
    public required double Position { get; init; }

    [Display(Name = "Kind of point", Description = "fixed, moving, load or hand.")]
    public required PointKind Kind { get; init; }
}

public sealed record TackleRope
{
    [Display(Name = "Rope from", Description = "The point at its hauling end.")]
    public required string From { get; init; }

    [Display(Name = "Contacts", Description = "The points it runs to, in order; the last is where it is made fast.")]
    [MaxLength(ArrangementRules.MostContacts)]
    public required IReadOnlyList<TackleContact> Contacts { get; init; }
}

public sealed record TackleContact
{
    [Display(Name = "Point")]
    public required string Point { get; init; }

    [Display(
        Name = "Efficiency",
        Description = "Share of tension that passes the turn, over 0 to 1; left out where the rope is made fast."
    )]
    public double? Efficiency { get; init; }

    [Display(
        Name = "Leg off the axis",
        Description = "How far the leg that runs to it lies off the haul axis, degrees, 0 to 80; its cosine is what is left of its pull along it."
    )]
    public double OffAxisDeg { get; init; }
}

/// <summary>A place where a rope turns and goes on.</summary>
/// <param name="Rope">Index of the rope.</param>
/// <param name="Contact">Index of the contact along it, from its hauling end.</param>
public sealed record TackleTurn(int Rope, int Contact, string Point)
{
    public static IReadOnlyList<TackleTurn> Of(Arrangement arrangement) =>
        [
            .. arrangement.Ropes.SelectMany(
                (rope, r) => rope.Contacts.SkipLast(1).Select((contact, c) => new TackleTurn(r, c, contact.Point))
            ),
        ];
}
