using Draklo.Core.Catalogue;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>
/// A plan with all that can hang on it: three lines, two redirects, grips, cords, connectors and a joined rope.
/// </summary>
internal static class Heavy
{
    public static Plan Plan()
    {
        var plan = SideLeaner();
        var main = Loaded(plan.Lines[0]);
        var second = Loaded(plan.Lines[1]);
        return plan with
        {
            Lines =
            [
                main with
                {
                    Redirects =
                    [
                        new()
                        {
                            At = main.Anchor,
                            HardwareStrengthN = 50000,
                            ContactId = "one-carabiner",
                        },
                    ],
                    Anchor = main.Anchor with { DistanceM = 48, BearingDeg = 30 },
                    Joined = new() { Rope = main.Rope with { LengthM = 80 } },
                    Rope = main.Rope with
                    {
                        LengthM = 24,
                        ConstructionId = "double-braid",
                        Wear = new() { AgeYears = 3 },
                    },
                    Limiter = new() { Turns = 3 },
                },
                second with
                {
                    Redirects = [new() { At = second.Anchor with { DistanceM = 26 }, HardwareStrengthN = 40000 }],
                    Anchor = second.Anchor with { DistanceM = 40, BearingDeg = 120 },
                    Tie = TieKind.Base,
                    Seat = second.Seat with
                    {
                        On = SeatKind.Union,
                        Limb = new() { DiameterM = 0.25, BearingDeg = 90 },
                    },
                },
                Loaded(Line("third", 11, 32, 75, -1, 0.4, 0.4)) with
                {
                    Setting = new() { Way = SettingWay.Catapult, Bedded = true },
                },
            ],
        };
    }

    private static LineMembers Loaded(LineMembers line) =>
        line with
        {
            Tackle = line.Tackle with
            {
                JoinKnotId = null,
                Grip = new()
                {
                    GripId = "machard",
                    CordStrengthN = 16000,
                    CordDiameterM = 0.008,
                },
                Connector = new() { StrengthN = 24000, Count = 2 },
            },
        };
}
