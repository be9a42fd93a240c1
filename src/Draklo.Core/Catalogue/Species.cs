using System.ComponentModel.DataAnnotations;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Core.Catalogue;

/// <summary>Green wood of a species. Density scatters by 12 %, strength by 20 % from tree to tree.</summary>
/// <remarks>
/// Rounded from the public tables of the USDA Forest Products Laboratory wood handbook and the British
/// building-research tables.
/// </remarks>
public sealed record Species : IDocumentPart
{
    [Display(Name = "Id of the species")]
    public required string Id { get; init; }

    [Display(Name = "Name of the species")]
    public required string Name { get; init; }

    [Display(Name = "Latin name")]
    public required string Latin { get; init; }

    [Display(Name = "Green density", Description = "Kilograms per cubic metre as felled.")]
    [Range(300, 1500)]
    public required double GreenDensityKgM3 { get; init; }

    [Display(Name = "Bending strength", Description = "Green modulus of rupture, megapascals.")]
    [Range(10, 150)]
    public required double BendingStrengthMPa { get; init; }

    [Display(Name = "Stiffness", Description = "Green modulus of elasticity, gigapascals.")]
    [Range(1, 25)]
    public required double StiffnessGPa { get; init; }

    public required HingeClass HingeClass { get; init; }

    public required SplitTendency Splits { get; init; }

    public required Habit Habit { get; init; }

    /// <summary>Where the figures come from.</summary>
    public string Source
    {
        get => field;
        init => field = value.Length > 0 ? value : Usual;
    } = Usual;

    private const string Usual = "USDA Forest Products Laboratory and British building-research tables, rounded";
}
