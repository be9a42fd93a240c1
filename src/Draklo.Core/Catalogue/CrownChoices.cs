using Draklo.Core.Plans;

namespace Draklo.Core.Catalogue;

/// <summary>How much a crown weighs against its stem, by what it looks like.</summary>
/// <remarks>
/// Estimates for trees grown with some room; leaves and small twigs are about a fifth of a broadleaf's crown. Spread
/// ±30 %.
/// </remarks>
/// <param name="Ratio">Mass of the crown over mass of the stem.</param>
public sealed record CrownLook(string Id, string Name, Habit Habit, bool InLeaf, double Ratio);

public static class CrownChoices
{
    public static IReadOnlyList<CrownLook> All { get; } =
    [
        new("broadleaf-sparse-leaf", "Sparse", Habit.Broadleaf, true, 0.20),
        new("broadleaf-ordinary-leaf", "Ordinary", Habit.Broadleaf, true, 0.35),
        new("broadleaf-heavy-leaf", "Heavy", Habit.Broadleaf, true, 0.55),
        new("broadleaf-sparse-bare", "Sparse", Habit.Broadleaf, false, 0.16),
        new("broadleaf-ordinary-bare", "Ordinary", Habit.Broadleaf, false, 0.28),
        new("broadleaf-heavy-bare", "Heavy", Habit.Broadleaf, false, 0.45),
        new("conifer-sparse", "Sparse", Habit.Conifer, true, 0.20),
        new("conifer-ordinary", "Ordinary", Habit.Conifer, true, 0.35),
        new("conifer-heavy", "Heavy", Habit.Conifer, true, 0.50),
    ];
}
