using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <content>What would make the pieces hold that the load hangs on between heaves and between sets.</content>
internal sealed partial class RemedyLadders
{
    private IEnumerable<Ladder> ForCapture(int at, LineMembers line, string what)
    {
        var now = line.Tackle.Capture!;
        if (what == "capture")
        {
            yield return Stronger(
                now.HoldsN!.Value,
                "a cam or grip that holds",
                $"lines[{at}].tackle.capture.holdsN",
                n => WithTackle(at, t => t with { Capture = now with { HoldsN = n } })
            );
        }
        else
        {
            foreach (var ladder in ForLegs(at, line))
            {
                yield return ladder;
            }
        }

        // Turns with more legs behind them hang less on each.
        var shape = TackleSystems.Of(line.Tackle).Shape;
        var most = Captured.Of(shape, now).Held!.HeaviestLeg;
        var lighter = shape
            .Ropes.SelectMany(
                (rope, r) =>
                    rope
                        .Contacts.SkipLast(1)
                        .Select((contact, c) => (Capture: now with { Rope = r, Contact = c }, contact.Point))
            )
            .Select(x => (x.Capture, x.Point, Captured.Of(shape, x.Capture).Held?.HeaviestLeg))
            .Where(x => x.HeaviestLeg < most - 1e-9)
            .OrderByDescending(x => x.HeaviestLeg)
            .ToArray();
        yield return new(
            lighter.Length,
            i =>
                new(
                    $"Set the {(now.Kind == CaptureKind.Cam ? "cam" : "grip")} at turn {lighter[i].Capture.Contact + 1} of its rope, at the {lighter[i].Point}: more legs share the load there",
                    WithTackle(at, t => t with { Capture = lighter[i].Capture }),
                    [new($"lines[{at}].tackle.capture", lighter[i].Capture)]
                )
        );
    }

    private IEnumerable<Ladder> ForHold(int at, TackleMembers tackle, string what)
    {
        var path = $"lines[{at}].tackle.hold";
        if (what == "hold-turns")
        {
            var drum = tackle.Hold!.Turns!;
            return
            [
                new(
                    8 - drum.Turns,
                    i =>
                        new(
                            $"Put {Sentences.Count(drum.Turns + 1 + i)} holding turns on the drum",
                            Held(new() { Turns = drum with { Turns = drum.Turns + 1 + i } }),
                            [new($"{path}.turns.turns", drum.Turns + 1 + i)]
                        )
                ),
            ];
        }

        var grip = tackle.Hold!.Grip!;
        return what == "hold-cord"
            ? ForCord(at, grip, $"{path}.grip", tackle.Connector, g => Held(new() { Grip = g }))
            : [Grips(grip, "Wind another holding grip", $"{path}.grip", g => Held(new() { Grip = g }))];

        Plan Held(HoldMembers hold) => WithTackle(at, t => t with { Hold = hold });
    }
}
