using Draklo.Core.Analyses;
using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Studies;

/// <summary>A change of the plan after which a stop is gone.</summary>
/// <param name="Text">What to do, in the reader's units.</param>
/// <param name="Changes">The same as changes of the plan.</param>
/// <param name="StopsLeft">How many stops the plan has then, 0 or more; none of them is new.</param>
public sealed record StopRemedy(string Text, IReadOnlyList<Change> Changes, int StopsLeft);

/// <summary>Which stop of a plan is meant.</summary>
/// <param name="Code">As the verdict names it.</param>
/// <param name="Path">The member that it points at; empty for none.</param>
/// <param name="LinkId">The link that it speaks of; empty for none.</param>
public sealed record NamedStop(string Code, string Path, string LinkId);

/// <summary>What would take a stop away: each kind of change tried from the least upward, by the full analysis.</summary>
/// <remarks>What no change of the plan mends, as a line that only the utility can switch off, has none.</remarks>
public static class StopRemedies
{
    private const double Step = 0.01;
    private const int MostPlaces = 40;

    /// <summary>For one stop; those that leave the fewest stops first.</summary>
    /// <param name="yard">What the crew keeps that the plan is held against; null where nobody asks it.</param>
    /// <returns>None where the plan has no such stop, or no change was found.</returns>
    public static (IReadOnlyList<StopRemedy>? Remedies, List<Problem> Problems) For(
        Plan plan,
        NamedStop stop,
        UnitSystem units,
        Yard? yard,
        CancellationToken cancellation = default
    )
    {
        var outcome = PlanAnalysis.Of(plan, units, withWorkings: false, yard);
        if (outcome.Analysis is not { } analysis)
        {
            return (null, [.. outcome.Problems]);
        }

        var (now, checks) = (StopsOf(analysis), KeysOf(analysis, VerdictState.Check));
        var key = KeyOf(stop.Code, stop.Path, stop.LinkId);
        if (!now.Contains(key))
        {
            return ([], []);
        }

        var found = new List<StopRemedy>();
        foreach (var ladder in Ladders(plan, analysis, stop, units))
        {
            // The least that brings no check in the stop's place; where every rung brings one, the least of all.
            StopRemedy? least = null;
            for (var i = 0; i < ladder.Count; i++)
            {
                cancellation.ThrowIfCancellationRequested();
                var trial = ladder.Rung(i);
                if (
                    PlanAnalysis.Of(trial.Plan, units, withWorkings: false, yard).Analysis is { } after
                    && StopsOf(after) is var then
                    && !then.Contains(key)
                    && then.IsSubsetOf(now)
                )
                {
                    var remedy = new StopRemedy(trial.Text, trial.Changes, then.Count);
                    least ??= remedy;
                    if (KeysOf(after, VerdictState.Check).IsSubsetOf(checks))
                    {
                        least = remedy;
                        break;
                    }
                }
            }

            if (least is not null)
            {
                found.Add(least);
            }
        }

        return ([.. found.DistinctBy(r => r.Text).OrderBy(r => r.StopsLeft)], []);
    }

    private static HashSet<string> StopsOf(Analysis analysis) => KeysOf(analysis, VerdictState.Stop);

    private static HashSet<string> KeysOf(Analysis analysis, VerdictState state) =>
        analysis
            .Verdict.Reasons.Where(r => r.State == state)
            .Select(r => KeyOf(r.Code, r.Path, r.LinkId))
            .ToHashSet(StringComparer.Ordinal);

    private static string KeyOf(string code, string? path, string? linkId) => $"{code} {path} {linkId}";

    private static IEnumerable<Ladder> Ladders(Plan plan, Analysis analysis, NamedStop stop, UnitSystem units)
    {
        if (analysis.Links.FirstOrDefault(l => l.Id == stop.LinkId) is { } link)
        {
            foreach (var ladder in link.Rule.AllRemedies(new(plan, link, units)))
            {
                yield return ladder;
            }
        }

        foreach (var ladder in OfPeople(plan, stop.Path, units).Concat(OfCut(plan, units)).Concat(OfLay(plan, units)))
        {
            yield return ladder;
        }

        var make = new LadderMaker(plan, analysis.Links[0], units);
        for (var at = 0; at < plan.Lines.Count; at++)
        {
            yield return make.HigherSeats(at);
            yield return make.LowerSeats(at);
            yield return make.FartherOut(at);
            if (plan.Lines[at].Joined is { } joined)
            {
                yield return Swapped(plan, at, joined);
            }

            yield return Longer(plan, at, units);
        }

        yield return LadderMaker.Upward(
            plan.Policy.LoadReserve,
            0.05,
            24,
            r =>
                new(
                    $"Raise the load reserve to {Figures.Plain(r, 3)}",
                    plan with
                    {
                        Policy = plan.Policy with { LoadReserve = r },
                    },
                    [new("policy.loadReserve", r)]
                )
        );
        if (plan.Policy.DesignFactor != new DesignFactorMembers())
        {
            yield return One(
                "Put the usual design factors back",
                plan with
                {
                    Policy = plan.Policy with { DesignFactor = new() },
                },
                new Change("policy.designFactor", new DesignFactorMembers())
            );
        }

        for (var i = 0; i < plan.Site.EscapeRoutes.Count; i++)
        {
            if (plan.Site.EscapeRoutes[i].GivenUpBy is not null)
            {
                yield return Kept(plan, i);
            }
        }
    }

    private static Ladder One(string text, Plan plan, params Change[] changes) => new(1, _ => new(text, plan, changes));

    private static IEnumerable<Ladder> OfCut(Plan plan, UnitSystem units)
    {
        var cut = plan.Cut;
        yield return new(
            (int)Math.Max(0, Math.Floor((90 - cut.Notch.OpeningDeg) / 5)),
            i => Notch(cut.Notch with { OpeningDeg = (Math.Floor(cut.Notch.OpeningDeg / 5) * 5) + (5 * (i + 1)) })
        );
        yield return new(8, i => Hinge(cut.HingeThicknessM - (Step / 2 * (i + 1))));
        yield return new(8, i => Hinge(cut.HingeThicknessM + (Step / 2 * (i + 1))));
        yield return new(
            12,
            i =>
            {
                var strap = new ReleaseStrapMembers { ThicknessM = Math.Round(Step * (i + 3), 3), TowardDeg = 180 };
                return new(
                    units.Say($"Bore the back cut and leave a strap of {strap.ThicknessM:cm}"),
                    plan with
                    {
                        Cut = cut with { Back = BackCutStyle.Bore, Strap = strap },
                    },
                    [new("cut.back", "bore"), new("cut.strap", strap)]
                );
            }
        );
        for (var i = 0; i < cut.Lashings.Count; i++)
        {
            var (at, lashing) = (i, cut.Lashings[i]);
            yield return LadderMaker.Upward(
                Math.Ceiling(lashing.BreakingStrengthN / 10e3) * 10e3,
                10e3,
                20,
                n =>
                    new(
                        units.Say($"Lash it with a strap that breaks at {n:N}"),
                        plan with
                        {
                            Cut = cut with
                            {
                                Lashings =
                                [
                                    .. cut.Lashings.Select((l, k) => k == at ? l with { BreakingStrengthN = n } : l),
                                ],
                            },
                        },
                        [new($"cut.lashings[{at}].breakingStrengthN", n)]
                    )
            );
        }

        if (cut.Bites.Count > 0)
        {
            yield return One(
                "Cut no bite out of the hinge",
                plan with
                {
                    Cut = cut with { Bites = [] },
                },
                new Change("cut.bites", Array.Empty<BiteMembers>())
            );
        }

        Trial Notch(NotchMembers notch) =>
            new(
                units.Say($"Open the notch to {notch.OpeningDeg:deg}"),
                plan with
                {
                    Cut = cut with { Notch = notch },
                },
                [new("cut.notch.openingDeg", notch.OpeningDeg)]
            );

        Trial Hinge(double thick) =>
            new(
                units.Say($"Leave a hinge of {Math.Max(0.005, Math.Round(thick, 4)):cm}"),
                plan.WithHinge(Math.Max(0.005, Math.Round(thick, 4))),
                [new("cut.hingeThicknessM", Math.Max(0.005, Math.Round(thick, 4)))]
            );
    }

    /// <summary>The lay turned to either side, the lines staying at their anchors.</summary>
    private static IEnumerable<Ladder> OfLay(Plan plan, UnitSystem units)
    {
        foreach (var side in new[] { 1, -1 })
        {
            yield return new(
                20,
                i =>
                {
                    var lay = Math.Round((plan.Lay.BearingDeg + 360 + (side * 3 * (i + 1))) % 360, 1);
                    return new(
                        units.Say($"Turn the lay to {lay:deg}"),
                        plan with
                        {
                            Lay = new() { BearingDeg = lay },
                        },
                        [new("lay.bearingDeg", lay)]
                    );
                }
            );
        }
    }

    /// <summary>Somebody who stands where nobody may, moved to the nearest place that passes.</summary>
    private static IEnumerable<Ladder> OfPeople(Plan plan, string path, UnitSystem units)
    {
        var around = Around(plan).ToArray();
        for (var i = 0; i < plan.Crew.Count; i++)
        {
            var (at, person) = (i, plan.Crew[i]);
            if (path.StartsWith($"crew[{at}]", StringComparison.Ordinal) && person.Place is { } stands)
            {
                yield return Placed(
                    around,
                    new(stands.EastM, stands.NorthM),
                    place =>
                        new(
                            units.Say(
                                $"Let {person.Name.Trim()} stand {Distance(place):m} out at {Bearing(place):deg}"
                            ),
                            plan with
                            {
                                Crew = [.. plan.Crew.Select((c, k) => k == at ? c with { Place = place } : c)],
                            },
                            [new($"crew[{at}].place", place)]
                        )
                );
            }
        }

        for (var i = 0; i < plan.Lines.Count; i++)
        {
            var (at, line) = (i, plan.Lines[i]);
            if (path.StartsWith($"lines[{at}].puller", StringComparison.Ordinal) && line.Puller.Place is { } stands)
            {
                yield return Placed(
                    around,
                    new(stands.EastM, stands.NorthM),
                    place =>
                        new(
                            units.Say($"Put the haulers {Distance(place):m} out at {Bearing(place):deg}"),
                            plan.WithPuller(at, p => p with { Place = place }),
                            [new($"lines[{at}].puller.place", place)]
                        )
                );
            }
        }
    }

    private static double Distance(PlaceMembers place) => new Place(place.EastM, place.NorthM).Distance;

    private static double Bearing(PlaceMembers place) => new Place(place.EastM, place.NorthM).BearingDeg;

    private static Ladder Placed(PlaceMembers[] around, Place stands, Func<PlaceMembers, Trial> put)
    {
        PlaceMembers[] nearest =
        [
            .. around
                .OrderBy(p => Math.Pow(p.EastM - stands.EastM, 2) + Math.Pow(p.NorthM - stands.NorthM, 2))
                .Take(MostPlaces),
        ];
        return new(nearest.Length, i => put(nearest[i]));
    }

    /// <summary>Places at one to two and a half heights, all round.</summary>
    private static IEnumerable<PlaceMembers> Around(Plan plan)
    {
        for (var ring = 0; ring < 4; ring++)
        {
            var outM = plan.Tree.HeightM * (1.25 + (0.4 * ring));
            for (var at = 0; at < 16; at++)
            {
                var bearing = Angle.Radians(plan.Lay.BearingDeg + (22.5 * at));
                yield return new()
                {
                    EastM = Math.Round(outM * Math.Sin(bearing), 1),
                    NorthM = Math.Round(outM * Math.Cos(bearing), 1),
                };
            }
        }
    }

    /// <summary>Two joined ropes, the other one first.</summary>
    private static Ladder Swapped(Plan plan, int at, JoinedRopeMembers joined)
    {
        var first = plan.Lines[at].Rope;
        return One(
            $"Take the other rope of the {plan.Lines[at].Id} line first",
            plan.WithLine(at, l => l with { Rope = joined.Rope, Joined = joined with { Rope = first } }),
            new($"lines[{at}].rope", joined.Rope),
            new($"lines[{at}].joined.rope", first)
        );
    }

    private static Ladder Longer(Plan plan, int at, UnitSystem units) =>
        LadderMaker.Upward(
            (Math.Ceiling(plan.Lines[at].Rope.LengthM / 5) * 5) - 5,
            5,
            24,
            m =>
                new(
                    units.Say($"Take another rope for the {plan.Lines[at].Id} line, of {m:m}"),
                    plan.WithLine(at, l => l with { Rope = l.Rope with { LengthM = m, ItemId = null } }),
                    [new($"lines[{at}].rope.lengthM", m), new($"lines[{at}].rope.itemId", null)]
                )
        );

    private static Ladder Kept(Plan plan, int at) =>
        One(
            $"Clear and keep escape route {at + 1}",
            plan with
            {
                Site = plan.Site with
                {
                    EscapeRoutes =
                    [
                        .. plan.Site.EscapeRoutes.Select((r, k) => k == at ? r with { GivenUpBy = null } : r),
                    ],
                },
            },
            new Change($"site.escapeRoutes[{at}].givenUpBy", null)
        );
}
