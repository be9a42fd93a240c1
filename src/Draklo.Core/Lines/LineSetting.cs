using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Lines;

/// <summary>Whether a thrown line gets over its seat, and how hard the bed test pulls.</summary>
/// <remarks>
/// The throw is a ballistic one without drag: the least launch speed that clears a height h at a level distance x is
/// √(g·(h + √(h² + x²))). From 4 m a one-handed throw
/// reaches seats 9 to 15 m up and a two-handed one 15 to 24; the crew's own best replaces them. The rest are this
/// product's estimates, not published figures. The bed
/// test pulls a quarter of the planned tension: enough to draw the line onto the stem and to snap what would snap
/// later.
/// </remarks>
/// <param name="ClearM">What the throw must clear above the hand, metres: the seat and a metre over it, less the hand's
/// own height.</param>
/// <param name="SpeedMps">Least launch speed; 0 for a climber.</param>
/// <param name="ReachM">The highest seat that this way reaches from this distance, low, nominal and high; null for a
/// climber.</param>
/// <param name="Reached">Whether the nominal throw gets there; a climber does.</param>
/// <param name="BedTestN">What the bed test pulls on the line.</param>
public sealed record LineSetting(double ClearM, double SpeedMps, Spread? ReachM, bool Reached, double BedTestN)
{
    private const double Over = 1;
    private const double HandHeight = 1.5;
    private const double BedShare = 0.25;

    /// <summary>A crew does not throw its best each time.</summary>
    private const double UsualOfBest = 0.7;
    private const double OftenOfBest = 0.85;

    /// <summary>
    /// Launch speeds in m/s; a long pole lifts the line rather than throws it and is judged by its reach.
    /// </summary>
    private static readonly Spread ByHand = new(13.3, 15.2, 17);
    private static readonly Spread ByTwoHands = new(17, 19.4, 21.5);
    private static readonly Spread ByCatapult = new(24, 28, 32);
    private static readonly Spread ByPole = new(6, 8, 10);

    /// <summary>The seats that a way reaches from four metres off, metres: low, nominal and high.</summary>
    public static Spread Usual(SettingWay way) =>
        way switch
        {
            SettingWay.Climber => new(60, 60, 60),
            SettingWay.Pole => ByPole,
            SettingWay.Hand or SettingWay.TwoHands or SettingWay.Catapult => ReachOf(SpeedsOf(way), 4),
        };

    public static LineSetting Of(LineMembers line, double tension, Workings? workings)
    {
        var setting = line.Setting!;
        var clear = Math.Max(0, line.Seat.HeightM + Over - HandHeight);
        var bed = BedShare * tension;
        if (setting.Way == SettingWay.Climber)
        {
            return new(clear, 0, null, true, bed);
        }

        var speed = Math.Sqrt(
            StandingTree.Gravity * (clear + Math.Sqrt((clear * clear) + (setting.StandOffM * setting.StandOffM)))
        );
        var reach =
            setting.BestM is { } best ? new(UsualOfBest * best, OftenOfBest * best, best)
            : setting.Way == SettingWay.Pole ? ByPole
            : ReachOf(SpeedsOf(setting.Way), setting.StandOffM);
        workings?.Add(
            $"{line.Id}.throw",
            "Launch speed to clear the seat",
            "v",
            speed,
            "m/s",
            "v = √(g · (h + √(h² + x²)))",
            $"h = {clear:m}, x = {setting.StandOffM:m}",
            "M8",
            estimate: true
        );
        return new(clear, speed, reach, reach.Nominal >= line.Seat.HeightM, bed);
    }

    private static Spread SpeedsOf(SettingWay way) =>
        way switch
        {
            SettingWay.Hand => ByHand,
            SettingWay.TwoHands => ByTwoHands,
            SettingWay.Catapult => ByCatapult,
            SettingWay.Pole or SettingWay.Climber => throw new ArgumentException(
                $"Nothing is thrown by {way}.",
                nameof(way)
            ),
        };

    /// <summary>
    /// The highest seat that launch speeds reach over a level distance: v²/(2g) − g·x²/(2v²), and the hand's height,
    /// less the metre over it.
    /// </summary>
    private static Spread ReachOf(Spread speed, double distance)
    {
        return new(At(speed.Low), At(speed.Nominal), At(speed.High));

        double At(double v) =>
            Math.Max(
                0,
                (v * v / (2 * StandingTree.Gravity))
                    - (StandingTree.Gravity * distance * distance / (2 * v * v))
                    + HandHeight
                    - Over
            );
    }
}
