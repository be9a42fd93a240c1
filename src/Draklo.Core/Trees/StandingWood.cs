using Draklo.Core.Catalogue;

namespace Draklo.Core.Trees;

/// <summary>Wood of a tree that something is fast to; an ordinary broadleaf where nobody has said which.</summary>
/// <param name="Density">Green, kg/m³.</param>
/// <param name="Strength">Green bending strength of sound wood, Pa.</param>
/// <param name="Stiffness">Of sound wood, Pa.</param>
public readonly record struct StandingWood(double Density, double Strength, double Stiffness)
{
    private static readonly StandingWood Ordinary = new(800, 40e6, 8e9);

    public static StandingWood Of(string? speciesId) =>
        speciesId is not null && Reference.Species.TryGetValue(speciesId, out var species)
            ? new(species.GreenDensityKgM3, species.BendingStrengthMPa * 1e6, species.StiffnessGPa * 1e9)
            : Ordinary;
}
