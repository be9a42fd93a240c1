using Draklo.Core.Plans;

namespace Draklo.Core.Catalogue;

/// <summary>The list that a new job starts with; a crew edits its own.</summary>
public static class FirstWalkUp
{
    public static IReadOnlyList<WalkUpMembers> Make() =>
        [
            new()
            {
                Id = "permission",
                Must = true,
                Text = "The owner's word that this tree comes down, from the owner",
            },
            new()
            {
                Id = "boundary",
                Must = true,
                Text = "The tree, the lay and the anchors stand on ground we may use",
            },
            new()
            {
                Id = "protection",
                Must = true,
                Text = "No protected tree, nest or roost; permit where one is asked",
            },
            new()
            {
                Id = "utilities",
                Must = true,
                Text = "Power, phone, gas and water: looked above and asked below",
            },
            new()
            {
                Id = "all-sides",
                Must = true,
                Text = "Walked all round: lean and crown seen from every side",
            },
            new()
            {
                Id = "decay",
                Must = true,
                Text = "Foot, stem and forks sounded for rot, cracks and lifted roots",
            },
            new()
            {
                Id = "hung-wood",
                Must = true,
                Text = "Dead tops and hung branches found, or none there",
            },
            new()
            {
                Id = "people",
                Must = true,
                Text = "People, animals and traffic kept out, and by whom",
            },
            new()
            {
                Id = "weather",
                Must = true,
                Text = "Wind now and this afternoon",
            },
        ];
}
