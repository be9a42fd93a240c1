using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>The kinds of change that may mend a link.</summary>
internal sealed partial class RemedyLadders(Plan plan, Link link, UnitSystem units)
{
    private const double LongestStep = 2000;

    public IEnumerable<Ladder> All() => link.LineId is null ? ForTree() : ForLine(IndexOf(link.LineId));

    private IEnumerable<Ladder> ForTree()
    {
        if (link.Id == "hinge")
        {
            yield return Upward(
                plan.Cut.HingeThicknessM,
                0.0025,
                24,
                t =>
                    new(
                        units.Say($"Leave a hinge of {t:cm}: it bears more sideways, and asks for more pull"),
                        plan with
                        {
                            Cut = plan.Cut with { HingeThicknessM = t },
                        },
                        [new("cut.hingeThicknessM", t)]
                    )
            );
        }

        for (var i = 0; i < plan.Lines.Count; i++)
        {
            foreach (var ladder in Seats(i).Append(Distances(i)))
            {
                yield return ladder;
            }
        }
    }

    private IEnumerable<Ladder> ForLine(int at)
    {
        var line = plan.Lines[at];
        var what = link.Id[(link.LineId!.Length + 1)..];
        var special = what switch
        {
            "hands" => ForHauler(at, line),
            "limiter" => [Turns(at, line.Limiter!, line.Limiter!.Turns)],
            "knot" or "join" or "joint" or "rope" => ForRope(at, line, what),
            "rope-2" =>
            [
                Stronger(
                    line.Joined!.Rope.BreakingStrengthN,
                    "a second rope that breaks",
                    $"lines[{at}].joined.rope.breakingStrengthN",
                    n =>
                        With(
                            at,
                            l =>
                                l with
                                {
                                    Joined = l.Joined! with { Rope = l.Joined.Rope with { BreakingStrengthN = n } },
                                }
                        )
                ),
            ],
            "legs" => ForLegs(at, line),
            "blocks" =>
            [
                Stronger(
                    line.Tackle.HardwareStrengthN!.Value,
                    "blocks and connectors that break",
                    $"lines[{at}].tackle.hardwareStrengthN",
                    n => WithTackle(at, t => t with { HardwareStrengthN = n })
                ),
            ],
            "grip" => [Grips(at, line.Tackle.Grip), Joins(at)],
            "cord" => ForCord(
                at,
                line.Tackle.Grip!,
                $"lines[{at}].tackle.grip",
                line.Tackle.Connector,
                g => WithTackle(at, t => t with { Grip = g })
            ),
            "held-legs" or "capture" => ForCapture(at, line, what),
            "hold-grip" or "hold-cord" or "hold-turns" => ForHold(at, line.Tackle, what),
            "connector" => ForConnector(at, line.Tackle.Connector!),
            "limb" => ForLimb(at, line),
            "sling" => Slings(line.Anchor, $"lines[{at}].anchor", a => With(at, l => l with { Anchor = a })),
            "anchor" => Anchors(line.Anchor, $"lines[{at}].anchor", a => With(at, l => l with { Anchor = a })),
            _ => ForRedirect(at, what),
        };
        foreach (var ladder in special)
        {
            yield return ladder;
        }

        if (what is not "hands" and not "limiter" && link.Use <= 1 && link.WorstLoadN > link.StrengthN)
        {
            if (line.Puller.Kind == PullerKind.People)
            {
                yield return new(
                    line.Puller.Count - 1,
                    i =>
                        new(
                            $"Put only {Sentences.Count(line.Puller.Count - 1 - i)} on the rope: fewer cannot overload it",
                            WithPuller(at, p => p with { Count = line.Puller.Count - 1 - i }),
                            [new($"lines[{at}].puller.count", line.Puller.Count - 1 - i)]
                        )
                );
            }

            // The most turns that still slip in time leave most for the pull.
            var drum = line.Limiter ?? new();
            yield return new(
                8,
                i =>
                    new(
                        $"Put {Sentences.Count(8 - i)} friction {(i == 7 ? "turn" : "turns")} on a drum before the rope, held by hand",
                        With(at, l => l with { Limiter = drum with { Turns = 8 - i } }),
                        [new($"lines[{at}].limiter", drum with { Turns = 8 - i })]
                    )
            );
        }

        foreach (var ladder in Seats(at).Take(1).Append(Distances(at)))
        {
            yield return ladder;
        }
    }

    private IEnumerable<Ladder> ForHauler(int at, LineMembers line)
    {
        if (line.Puller is { Kind: PullerKind.Vehicle, Vehicle: { } vehicle })
        {
            yield return Upward(
                Math.Ceiling(vehicle.MassKg / 100) * 100,
                100,
                60,
                m =>
                    new(
                        units.Say($"Take a vehicle of {m:kg}"),
                        WithPuller(at, p => p with { Vehicle = vehicle with { MassKg = m } }),
                        [new($"lines[{at}].puller.vehicle.massKg", m)]
                    )
            );
        }
        else if (line.Puller.Kind is PullerKind.Machine or PullerKind.HandWinch)
        {
            yield return Stronger(
                line.Puller.MachineN!.Value,
                "a machine that pulls",
                $"lines[{at}].puller.machineN",
                n => WithPuller(at, p => p with { MachineN = n })
            );
        }
        else
        {
            yield return new(
                Math.Min(4, 20 - line.Puller.Count),
                i =>
                    new(
                        $"Put {Sentences.Count(line.Puller.Count + 1 + i)} people on it",
                        WithPuller(at, p => p with { Count = p.Count + 1 + i }),
                        [new($"lines[{at}].puller.count", line.Puller.Count + 1 + i)]
                    )
            );
        }

        yield return Systems(at, line);
    }

    private IEnumerable<Ladder> ForRope(int at, LineMembers line, string what)
    {
        var second = what is "join" && line.Joined is not null;
        if (!second)
        {
            yield return Stronger(
                line.Rope.BreakingStrengthN,
                "a pull line that breaks",
                $"lines[{at}].rope.breakingStrengthN",
                n => With(at, l => l with { Rope = l.Rope with { BreakingStrengthN = n } })
            );
        }
        else
        {
            yield return Stronger(
                line.Joined!.Rope.BreakingStrengthN,
                "a second rope that breaks",
                $"lines[{at}].joined.rope.breakingStrengthN",
                n =>
                    With(
                        at,
                        l => l with { Joined = l.Joined! with { Rope = l.Joined.Rope with { BreakingStrengthN = n } } }
                    )
            );
        }

        switch (what)
        {
            case "knot":
                yield return Knots(
                    line.KnotId,
                    k => k.Use is "end-loop" or "noose",
                    "Tie it with",
                    $"lines[{at}].knotId",
                    k => With(at, l => l with { KnotId = k })
                );
                break;
            case "join":
                yield return Joins(at);
                yield return Grips(at, null);
                break;
            case "joint":
                yield return Knots(
                    line.Joined!.KnotId,
                    k => k.Use == "joins-ends",
                    "Join them with",
                    $"lines[{at}].joined.knotId",
                    k => With(at, l => l with { Joined = l.Joined! with { KnotId = k } })
                );
                break;
        }
    }

    private IEnumerable<Ladder> ForLegs(int at, LineMembers line)
    {
        if (line.Tackle.Rope is not { } own)
        {
            yield break;
        }

        yield return Stronger(
            own.BreakingStrengthN,
            "a tackle rope that breaks",
            $"lines[{at}].tackle.rope.breakingStrengthN",
            n => WithTackle(at, t => t with { Rope = own with { BreakingStrengthN = n } })
        );
        yield return Knots(
            own.EndKnotId,
            k => k.Use == "end-loop",
            "End the tackle rope in",
            $"lines[{at}].tackle.rope.endKnotId",
            k => WithTackle(at, t => t with { Rope = own with { EndKnotId = k } })
        );
        if (link.Reductions.Any(r => r.Name == "bend"))
        {
            var pin = line.Tackle.SheaveDiameterM ?? ((Reference.Contacts[line.Tackle.ContactId].PinMm ?? 12) / 1000);
            yield return Upward(
                pin,
                0.01,
                12,
                d =>
                    new(
                        units.Say($"Turn it round something thicker, {d:mm} across"),
                        WithTackle(at, t => t with { SheaveDiameterM = d }),
                        [new($"lines[{at}].tackle.sheaveDiameterM", d)]
                    )
            );
        }
    }

    private IEnumerable<Ladder> ForCord(
        int at,
        GripMembers grip,
        string path,
        ConnectorMembers? connector,
        Func<GripMembers, Plan> put
    )
    {
        yield return Stronger(
            grip.CordStrengthN!.Value,
            "a cord that breaks",
            $"{path}.cordStrengthN",
            n => put(grip with { CordStrengthN = n })
        );
        yield return Knots(
            grip.EndKnotId,
            k => k.Use is "end-loop" or "joins-ends",
            "Close the cord with",
            $"{path}.endKnotId",
            k => put(grip with { EndKnotId = k })
        );
        if (connector is { Count: 1 })
        {
            yield return SecondConnector(at, connector);
        }
    }

    private IEnumerable<Ladder> ForConnector(int at, ConnectorMembers connector)
    {
        yield return Stronger(
            connector.StrengthN,
            "a connector that breaks",
            $"lines[{at}].tackle.connector.strengthN",
            n => WithTackle(at, t => t with { Connector = connector with { StrengthN = n } })
        );
        if (connector.Count == 1)
        {
            yield return SecondConnector(at, connector);
        }
    }

    private Ladder SecondConnector(int at, ConnectorMembers connector) =>
        new(
            1,
            _ =>
                new(
                    "Put a second connector beside the first: they share the load and bend the cord less",
                    WithTackle(at, t => t with { Connector = connector with { Count = 2 } }),
                    [new($"lines[{at}].tackle.connector.count", 2)]
                )
        );

    private IEnumerable<Ladder> ForLimb(int at, LineMembers line)
    {
        if (line.Tie == TieKind.Base)
        {
            yield return new(
                1,
                _ =>
                    new(
                        "Tie it at the tip: a noose on the stem spares the union the second leg",
                        With(at, l => l with { Tie = TieKind.Tip }),
                        [new($"lines[{at}].tie", "tip")]
                    )
            );
        }

        yield return new(
            1,
            _ =>
                new(
                    "Seat the line on the stem itself",
                    With(at, l => l with { Seat = new() { HeightM = l.Seat.HeightM } }),
                    [new($"lines[{at}].seat", new SeatMembers { HeightM = line.Seat.HeightM })]
                )
        );
        if (line.Seat.Limb is { SharedBy: < 3 } limb)
        {
            yield return new(
                3 - limb.SharedBy,
                i =>
                    new(
                        $"Lay the line over {Sentences.Count(limb.SharedBy + 1 + i)} unions that share it",
                        With(
                            at,
                            l => l with { Seat = l.Seat with { Limb = limb with { SharedBy = limb.SharedBy + 1 + i } } }
                        ),
                        [new($"lines[{at}].seat.limb.sharedBy", limb.SharedBy + 1 + i)]
                    )
            );
        }
    }

    private IEnumerable<Ladder> ForRedirect(int at, string what)
    {
        // "redirect-2-sling"
        var parts = what.Split('-');
        var number = int.Parse(parts[1]) - 1;
        var redirect = plan.Lines[at].Redirects[number];
        var path = $"lines[{at}].redirects[{number}]";
        Plan Put(RedirectMembers changed) =>
            With(at, l => l with { Redirects = [.. l.Redirects.Select((r, i) => i == number ? changed : r)] });
        switch (parts[2])
        {
            case "block":
                return
                [
                    Stronger(
                        redirect.HardwareStrengthN!.Value,
                        "a redirect block that breaks",
                        $"{path}.hardwareStrengthN",
                        n => Put(redirect with { HardwareStrengthN = n })
                    ),
                ];
            case "sling":
                return Slings(redirect.At, $"{path}.at", a => Put(redirect with { At = a }));
            case "anchor":
                return Anchors(redirect.At, $"{path}.at", a => Put(redirect with { At = a }));
            default:
                var pin = redirect.SheaveDiameterM ?? ((Reference.Contacts[redirect.ContactId].PinMm ?? 12) / 1000);
                return
                [
                    Upward(
                        pin,
                        0.01,
                        12,
                        d =>
                            new(
                                units.Say($"Turn it round something thicker, {d:mm} across"),
                                Put(redirect with { SheaveDiameterM = d }),
                                [new($"{path}.sheaveDiameterM", d)]
                            )
                    ),
                    new(
                        1,
                        _ =>
                            new(
                                "Turn it at a plain-bushed block",
                                Put(redirect with { ContactId = "bushed-block", SheaveDiameterM = null }),
                                [new($"{path}.contactId", "bushed-block")]
                            )
                    ),
                ];
        }
    }

    private IEnumerable<Ladder> Slings(AnchorMembers anchor, string path, Func<AnchorMembers, Plan> put)
    {
        if (anchor.Sling is not { } sling)
        {
            yield break;
        }

        yield return Stronger(
            sling.BreakingStrengthN,
            "a sling that breaks",
            $"{path}.sling.breakingStrengthN",
            n => put(anchor with { Sling = sling with { BreakingStrengthN = n } })
        );
        if (sling.Hitch is SlingHitch.Choked or SlingHitch.Straight)
        {
            yield return new(
                1,
                _ =>
                    new(
                        "Lay the sling as a basket, its legs close together",
                        put(anchor with { Sling = sling with { Hitch = SlingHitch.Basket, HalfAngleDeg = 15 } }),
                        [new($"{path}.sling.hitch", "basket"), new($"{path}.sling.halfAngleDeg", 15.0)]
                    )
            );
        }
    }

    private IEnumerable<Ladder> Anchors(AnchorMembers anchor, string path, Func<AnchorMembers, Plan> put)
    {
        if (anchor is { Kind: AnchorKind.Pickets, Pickets: { } pickets })
        {
            var sets = Reference
                .Anchors.Values.Where(a =>
                    a.Kind == "pickets" && a.Nominal > Reference.Anchors[pickets.ArrangementId].Nominal
                )
                .OrderBy(a => a.Nominal)
                .ToArray();
            yield return new(
                sets.Length,
                i =>
                    new(
                        $"Set more pickets: {sets[i].Name.Uncapitalised()}",
                        put(anchor with { Pickets = pickets with { ArrangementId = sets[i].Id } }),
                        [new($"{path}.pickets.arrangementId", sets[i].Id)]
                    )
            );
        }

        if (anchor.Kind is AnchorKind.Post or AnchorKind.Tree)
        {
            var steps = Math.Min(20, (int)Math.Floor((anchor.HeightM * 10) + 1e-9));
            yield return new(steps, i => Lowered(Math.Round(anchor.HeightM - (0.1 * (i + 1)), 2)));
        }

        if (anchor is { Kind: AnchorKind.Vehicle or AnchorKind.Weight, Weight: { } weight })
        {
            yield return Upward(
                Math.Ceiling(weight.MassKg / 100) * 100,
                100,
                60,
                m =>
                    new(
                        units.Say($"Take one that weighs {m:kg}"),
                        put(anchor with { Weight = weight with { MassKg = m } }),
                        [new($"{path}.weight.massKg", m)]
                    )
            );
        }

        Trial Lowered(double h) =>
            new(
                units.Say($"Set the strap lower, at {h:m}"),
                put(anchor with { HeightM = h }),
                [new($"{path}.heightM", h)]
            );
    }

    private Ladder Turns(int at, LimiterMembers drum, int from) =>
        new(
            8 - from,
            i =>
                new(
                    $"Put {Sentences.Count(from + 1 + i)} turns on the drum",
                    With(at, l => l with { Limiter = drum with { Turns = from + 1 + i } }),
                    [new($"lines[{at}].limiter.turns", from + 1 + i)]
                )
        );

    private Ladder Joins(int at)
    {
        var tackle = plan.Lines[at].Tackle;
        return Knots(
            tackle.Grip is null ? tackle.JoinKnotId : null,
            k => k is { Midline: true, Use: "midline-loop" },
            "Join the tackle with",
            $"lines[{at}].tackle.joinKnotId",
            k => WithTackle(at, t => t with { JoinKnotId = k, Grip = null }),
            tackle.Grip is null ? [] : [$"lines[{at}].tackle.grip"]
        );
    }

    private Ladder Grips(int at, GripMembers? now) =>
        Grips(
            now,
            now is null ? "Take the tackle on a grip in place of the loop" : "Wind another grip",
            $"lines[{at}].tackle.grip",
            g => WithTackle(at, t => t with { Grip = g })
        );

    private Ladder Grips(GripMembers? now, string verb, string path, Func<GripMembers, Plan> put)
    {
        var better = Reference
            .Grips.Values.Where(g => now is null || g.SlipLowN > (now.SlipN ?? Reference.Grips[now.GripId].SlipLowN))
            .OrderBy(g => g.SlipLowN)
            .ToArray();
        return new(better.Length, i => Gripped(better[i]));

        Trial Gripped(Grip grip)
        {
            var next = (now ?? new() { GripId = grip.Id }) with { GripId = grip.Id, SlipN = null };
            return new(
                units.Say($"{verb}: {grip.Name}, reckoned to creep at {grip.SlipLowN:N}"),
                put(next),
                [new(path, next)]
            );
        }
    }

    private static Ladder Knots(
        string? now,
        Func<Knot, bool> fits,
        string verb,
        string path,
        Func<string, Plan> put,
        string[]? removed = null
    )
    {
        var better = Reference
            .Knots.Values.Where(k => fits(k) && (now is null || k.KeepsLow > Reference.Knots[now].KeepsLow))
            .OrderBy(k => k.KeepsLow)
            .ToArray();
        return new(
            better.Length,
            i =>
                new(
                    $"{verb} {Named(better[i])}, which keeps {Figures.Plain(better[i].KeepsLow * 100, 2)} %",
                    put(better[i].Id),
                    [new(path, better[i].Id), .. (removed ?? []).Select(r => new Change(r, null))]
                )
        );
    }

    private Ladder Systems(int at, LineMembers line)
    {
        var now = TackleSystems.Of(line.Tackle).Solve(new(0.9, 0.35)).ActualAdvantage;
        var stronger = TackleSystems
            .All.Where(s => !s.InLine && s.Solve(new(0.9, 0.35)).ActualAdvantage > now)
            .OrderBy(s => s.Solve(new(0.9, 0.35)).ActualAdvantage)
            .ToArray();
        return new(
            stronger.Length,
            i =>
                new(
                    $"Haul it with {stronger[i].Name.Uncapitalised()}",
                    WithTackle(at, t => t with { SystemId = stronger[i].Id, Composed = null, Capture = null }),
                    [
                        new($"lines[{at}].tackle.systemId", stronger[i].Id),
                        new($"lines[{at}].tackle.composed", null),
                        new($"lines[{at}].tackle.capture", null),
                    ]
                )
        );
    }

    private IEnumerable<Ladder> Seats(int at)
    {
        var line = plan.Lines[at];
        var room = plan.Tree.HeightM - 1 - line.Seat.HeightM;
        var below = line.Seat.HeightM - plan.Cut.StumpHeightM - 1;
        yield return new((int)Math.Clamp(Math.Floor(room / 0.25), 0, 32), i => Seated(0.25 * (i + 1)));
        yield return new((int)Math.Clamp(Math.Floor(below / 0.25), 0, 32), i => Seated(-0.25 * (i + 1)));

        Trial Seated(double by)
        {
            var height = Math.Round(line.Seat.HeightM + by, 4);
            return new(
                units.Say($"Seat the {line.Id} line {(by > 0 ? "higher" : "lower")}, at {height:m}"),
                With(at, l => l with { Seat = l.Seat with { HeightM = height } }),
                [new($"lines[{at}].seat.heightM", height)]
            );
        }
    }

    /// <summary>What the line first runs to set farther out: its anchor, or its first redirect.</summary>
    private Ladder Distances(int at)
    {
        var line = plan.Lines[at];
        return line.Redirects.Count == 0
            ? Upward(
                line.Anchor.DistanceM,
                1,
                30,
                d =>
                    new(
                        units.Say($"Choose an anchor farther out for the {line.Id} line, at {d:m}"),
                        With(at, l => l with { Anchor = l.Anchor with { DistanceM = d } }),
                        [new($"lines[{at}].anchor.distanceM", d)]
                    )
            )
            : Upward(
                line.Redirects[0].At.DistanceM,
                1,
                30,
                d =>
                    new(
                        units.Say($"Hang the first redirect of the {line.Id} line farther out, at {d:m}"),
                        With(
                            at,
                            l =>
                                l with
                                {
                                    Redirects =
                                    [
                                        l.Redirects[0] with
                                        {
                                            At = l.Redirects[0].At with { DistanceM = d },
                                        },
                                        .. l.Redirects.Skip(1),
                                    ],
                                }
                        ),
                        [new($"lines[{at}].redirects[0].at.distanceM", d)]
                    )
            );
    }

    private Ladder Stronger(double now, string what, string path, Func<double, Plan> put) =>
        Upward(
            Math.Ceiling(now / 1000) * 1000,
            LongestStep,
            60,
            n => new(units.Say($"Take {what} at {n:N}"), put(n), [new(path, n)])
        );

    private static Ladder Upward(double from, double step, int count, Func<double, Trial> make) =>
        new(count, i => make(Math.Round(from + (step * (i + 1)), 4)));

    private Plan With(int at, Func<LineMembers, LineMembers> change) =>
        plan with
        {
            Lines = [.. plan.Lines.Select((l, i) => i == at ? change(l) : l)],
        };

    private Plan WithTackle(int at, Func<TackleMembers, TackleMembers> change) =>
        With(at, l => l with { Tackle = change(l.Tackle) });

    private Plan WithPuller(int at, Func<PullerMembers, PullerMembers> change) =>
        With(at, l => l with { Puller = change(l.Puller) });

    private int IndexOf(string lineId)
    {
        for (var i = 0; i < plan.Lines.Count; i++)
        {
            if (plan.Lines[i].Id == lineId)
            {
                return i;
            }
        }

        throw new ArgumentException($"No line is called '{lineId}'.", nameof(lineId));
    }

    private static string Named(Knot knot) =>
        $"{("aeiou".Contains(char.ToLowerInvariant(knot.Name[0])) ? "an" : "a")} {knot.Name.Uncapitalised()}";
}
