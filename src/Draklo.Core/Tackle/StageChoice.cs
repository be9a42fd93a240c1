using Draklo.Core.Plans;

namespace Draklo.Core.Tackle;

/// <summary>A kind of stage that a tackle can be put together from.</summary>
/// <param name="Turns">How many turns it has, each with a contact kind of its own.</param>
public sealed record StageChoice(StageKind Kind, string Name, string Note, int Turns);

/// <summary>The kinds of stage that a tackle can be put together from.</summary>
public static class StageChoices
{
    public static IReadOnlyList<StageChoice> All { get; } =
    [
        new(
            StageKind.Redirect,
            "Redirect",
            "One turn at the anchor; first at the hands, or last on the line itself. It gains nothing.",
            1
        ),
        new(StageKind.Two, "Two", "A moving block.", 1),
        new(StageKind.Three, "Three", "A moving block and one at the anchor.", 2),
        new(StageKind.Four, "Four", "Two turns on the moving block, one at the anchor.", 3),
        new(StageKind.Five, "Five", "Twin blocks.", 4),
        new(StageKind.RopeLoop, "Three through a rope loop", "Nothing to carry; rope on rope costs most of it.", 2),
        new(
            StageKind.BetweenGrips,
            "Between two grips",
            "Last: the line turns at the anchor, and the stage before draws its two legs together.",
            1
        ),
        new(StageKind.Direct, "Direct", "Hands on the line itself.", 0),
    ];

    /// <summary>Bends of the rope in such a stage, 0 or more.</summary>
    public static int TurnsOf(StageKind kind)
    {
        foreach (var choice in All)
        {
            if (choice.Kind == kind)
            {
                return choice.Turns;
            }
        }

        return 0;
    }
}
