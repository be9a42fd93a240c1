using Draklo.Core.Catalogue;
using Draklo.Core.Plans;

namespace Draklo.Core.Trees;

/// <summary>The wood of a plan, in SI.</summary>
/// <param name="Density">Green, kg/m³.</param>
/// <param name="Strength">Green bending strength of sound wood, Pa.</param>
/// <param name="Stiffness">Of sound wood, Pa.</param>
public readonly record struct Wood(
    double Density,
    double Strength,
    double Stiffness,
    HingeClass HingeClass,
    SplitTendency Splits,
    Habit Habit
)
{
    public static Wood Of(TreeMembers tree)
    {
        var species = tree.SpeciesId is { } id && Reference.Species.TryGetValue(id, out var known) ? known : null;
        var splits = tree.Wood?.Splits ?? species?.Splits ?? SplitTendency.Medium;
        var habit = tree.Wood?.Habit ?? species?.Habit ?? Habit.Broadleaf;
        return tree.Wood is { } own
            ? new(
                own.GreenDensityKgM3,
                own.BendingStrengthMPa * 1e6,
                own.StiffnessGPa * 1e9,
                own.HingeClass,
                splits,
                habit
            )
            : new(
                species!.GreenDensityKgM3,
                species.BendingStrengthMPa * 1e6,
                species.StiffnessGPa * 1e9,
                species.HingeClass,
                splits,
                habit
            );
    }

    /// <summary>The same as members of a plan.</summary>
    public WoodMembers ToMembers() =>
        new()
        {
            GreenDensityKgM3 = Density,
            BendingStrengthMPa = Strength / 1e6,
            StiffnessGPa = Stiffness / 1e9,
            HingeClass = HingeClass,
            Splits = Splits,
            Habit = Habit,
        };
}
