using Draklo.Core.Catalogue;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>The kinds of change that links share, for one link of a plan.</summary>
internal sealed class LadderMaker(Plan plan, Link link, UnitSystem units)
{
    private const double StrengthStep = 2000;

    public Plan Plan => plan;

    public Link Link => link;

    public UnitSystem Units => units;

    /// <summary>Index of the link's line; −1 for what all lines load together.</summary>
    public int At { get; } = IndexOf(plan, link.LineId);

    public LineMembers Line => plan.Lines[At];

    public RedirectMembers Redirect => Line.Redirects[link.Place!.Value - 1];

    /// <summary>The path of a member of the line.</summary>
    public string Member(string name) => $"lines[{At}].{name}";

    /// <summary>The path of a member of the redirect.</summary>
    public string RedirectMember(string name) => $"lines[{At}].redirects[{link.Place - 1}].{name}";

    public Plan WithTackle(Func<TackleMembers, TackleMembers> change) => plan.WithTackle(At, change);

    public Plan WithAnchor(AnchorMembers anchor) => plan.WithLine(At, l => l with { Anchor = anchor });

    public Plan WithRedirect(Func<RedirectMembers, RedirectMembers> change) =>
        plan.WithRedirect(At, link.Place!.Value - 1, change);

    public Plan WithRedirectAnchor(AnchorMembers anchor) => WithRedirect(r => r with { At = anchor });

    public static Ladder Upward(double from, double step, int count, Func<double, Trial> make) =>
        new(count, i => make(Math.Round(from + (step * (i + 1)), 4)));

    /// <param name="what">As in "a sling that breaks", before "at 30 kN".</param>
    public Ladder Stronger(double now, string what, string member, Func<double, Plan> put) =>
        Upward(
            Math.Ceiling(now / 1000) * 1000,
            StrengthStep,
            60,
            n => new(units.Say($"Take {what} at {n:N}"), put(n), [new(member, n)])
        );

    /// <param name="what">As in "a vehicle of", before "2,000 kg".</param>
    public Ladder Heavier(double massKg, string what, string member, Func<double, Plan> put) =>
        Upward(
            Math.Ceiling(massKg / 100) * 100,
            100,
            60,
            m => new(units.Say($"Take {what} {m:kg}"), put(m), [new(member, m)])
        );

    public Ladder StrongerRope() =>
        Stronger(
            Line.Rope.BreakingStrengthN,
            "a pull line that breaks",
            Member("rope.breakingStrengthN"),
            n => plan.WithLine(At, l => l with { Rope = l.Rope with { BreakingStrengthN = n } })
        );

    public Ladder StrongerSecondRope()
    {
        var joined = Line.Joined!;
        return Stronger(
            joined.Rope.BreakingStrengthN,
            "a second rope that breaks",
            Member("joined.rope.breakingStrengthN"),
            n =>
                plan.WithLine(
                    At,
                    l => l with { Joined = joined with { Rope = joined.Rope with { BreakingStrengthN = n } } }
                )
        );
    }

    /// <param name="sheave">Diameter that it turns round now, metres; null for the contact's own.</param>
    public Ladder ThickerTurn(double? sheave, string contactId, string member, Func<double, Plan> put) =>
        Upward(
            sheave ?? Reference.Contacts[contactId].PinMm / 1000 ?? LineWalk.ConnectorPin,
            0.01,
            12,
            d => new(units.Say($"Turn it round something thicker, {d:mm} across"), put(d), [new(member, d)])
        );

    /// <param name="now">The knot to better; null without one.</param>
    /// <param name="verb">As in "Tie it with".</param>
    /// <param name="removed">Members that the change takes away.</param>
    public static Ladder BetterKnots(
        string? now,
        Func<Knot, bool> fits,
        string verb,
        string member,
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
                    $"{verb} {WithArticle(better[i])}, which keeps {Figures.Plain(better[i].KeepsLow * 100, 2)} %",
                    put(better[i].Id),
                    [new(member, better[i].Id), .. (removed ?? []).Select(r => new Change(r, null))]
                )
        );
    }

    /// <param name="now">The grip to better; null without one.</param>
    public Ladder OtherGrips(GripMembers? now, string verb, string member, Func<GripMembers, Plan> put)
    {
        var slips = now is null ? 0 : now.SlipN ?? Reference.Grips[now.GripId].SlipLowN;
        var better = Reference.Grips.Values.Where(g => g.SlipLowN > slips).OrderBy(g => g.SlipLowN).ToArray();
        return new(
            better.Length,
            i =>
            {
                var grip = better[i];
                var next = (now ?? new() { GripId = grip.Id }) with { GripId = grip.Id, SlipN = null };
                return new(
                    units.Say($"{verb}: {grip.Name}, which the table says creeps at {grip.SlipLowN:N}"),
                    put(next),
                    [new(member, next)]
                );
            }
        );
    }

    public Ladder StrongerTackles()
    {
        var usual = new Turns(0.9, 0.35);
        var now = TackleSystems.Of(Line.Tackle).Solve(usual).ActualAdvantage;
        var stronger = TackleSystems
            .All.Where(s => !s.InLine && s.Solve(usual).ActualAdvantage > now)
            .OrderBy(s => s.Solve(usual).ActualAdvantage)
            .ToArray();
        return new(
            stronger.Length,
            i =>
                new(
                    $"Haul it with {stronger[i].Name.Uncapitalised()}",
                    WithTackle(t => t with { SystemId = stronger[i].Id, Composed = null, Capture = null }),
                    [
                        new(Member("tackle.systemId"), stronger[i].Id),
                        new(Member("tackle.composed"), null),
                        new(Member("tackle.capture"), null),
                    ]
                )
        );
    }

    /// <summary>Less that the puller could put on: fewer people, or friction turns that slip in time.</summary>
    public IEnumerable<Ladder> LesserHeaves()
    {
        var puller = Line.Puller;
        if (puller.Kind == PullerKind.People)
        {
            yield return new(
                puller.Count - 1,
                i =>
                    new(
                        $"Put only {Sentences.Count(puller.Count - 1 - i)} on the rope: fewer cannot overload it",
                        plan.WithPuller(At, p => p with { Count = puller.Count - 1 - i }),
                        [new(Member("puller.count"), puller.Count - 1 - i)]
                    )
            );
        }

        // The most turns that still slip in time leave most for the pull.
        var drum = Line.Limiter ?? new();
        yield return new(
            Limiter.MostTurns,
            i =>
            {
                var turned = drum with { Turns = Limiter.MostTurns - i };
                return new(
                    $"Put {Sentences.Count(turned.Turns)} friction {(turned.Turns == 1 ? "turn" : "turns")} on a drum before the rope, held by hand",
                    plan.WithLine(At, l => l with { Limiter = turned }),
                    [new(Member("limiter"), turned)]
                );
            }
        );
    }

    public Ladder HigherSeats(int at) => Seats(at, plan.Tree.HeightM - 1 - plan.Lines[at].Seat.HeightM, 0.25);

    public Ladder LowerSeats(int at) => Seats(at, plan.Lines[at].Seat.HeightM - plan.Cut.StumpHeightM - 1, -0.25);

    /// <summary>What the line first runs to, set farther out: its anchor, or its first redirect.</summary>
    public Ladder FartherOut(int at)
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
                        plan.WithFirstDistance(at, d),
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
                        plan.WithFirstDistance(at, d),
                        [new($"lines[{at}].redirects[0].at.distanceM", d)]
                    )
            );
    }

    private Ladder Seats(int at, double room, double step)
    {
        var line = plan.Lines[at];
        var count = (int)Math.Clamp(Math.Floor(room / Math.Abs(step)), 0, 32);
        return new(
            count,
            i =>
            {
                var height = Math.Round(line.Seat.HeightM + (step * (i + 1)), 4);
                return new(
                    units.Say($"Seat the {line.Id} line {(step > 0 ? "higher" : "lower")}, at {height:m}"),
                    plan.WithSeatHeight(at, height),
                    [new($"lines[{at}].seat.heightM", height)]
                );
            }
        );
    }

    private static int IndexOf(Plan plan, string? lineId)
    {
        for (var i = 0; i < plan.Lines.Count; i++)
        {
            if (plan.Lines[i].Id == lineId)
            {
                return i;
            }
        }

        return -1;
    }

    private static string WithArticle(Knot knot) =>
        $"{("aeiou".Contains(char.ToLowerInvariant(knot.Name[0])) ? "an" : "a")} {knot.Name.Uncapitalised()}";
}
