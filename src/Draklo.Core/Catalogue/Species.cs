using System.ComponentModel.DataAnnotations;
using CsvHelper.Configuration.Attributes;
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
    [Name("id")]
    [Display(Name = "Id of the species")]
    public required string Id { get; init; }

    [Name("name")]
    [Display(Name = "Name of the species")]
    public required string Name { get; init; }

    [Name("latin")]
    [Display(Name = "Latin name")]
    public required string Latin { get; init; }

    [Name("density_kg_m3")]
    [Display(Name = "Green density", Description = "Kilograms per cubic metre as felled.")]
    [Range(300, 1500)]
    public required double GreenDensityKgM3 { get; init; }

    [Name("mor_mpa")]
    [Display(Name = "Bending strength", Description = "Green modulus of rupture, megapascals.")]
    [Range(10, 150)]
    public required double BendingStrengthMPa { get; init; }

    [Name("e_gpa")]
    [Display(Name = "Stiffness", Description = "Green modulus of elasticity, gigapascals.")]
    [Range(1, 25)]
    public required double StiffnessGPa { get; init; }

    [Name("hinge")]
    public required HingeClass HingeClass { get; init; }

    [Name("splits")]
    public required SplitTendency Splits { get; init; }

    [Name("habit")]
    public required Habit Habit { get; init; }

    /// <summary>Where the figures come from.</summary>
    [Name("source")]
    public string Source
    {
        get => field;
        init => field = value.Length > 0 ? value : Usual;
    } = Usual;

    private const string Usual = "USDA Forest Products Laboratory and British building-research tables, rounded";
}
