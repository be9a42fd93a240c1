using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Where the crew stands.</summary>
public sealed class PeopleTests
{
    private static readonly (string, string)[] Everybody =
    [
        ("Runa", "lead"),
        ("Ole", "faller"),
        ("Ines", "hauler"),
        ("Bo", "hauler"),
        ("Tove", "watcher"),
        ("Kim", "road"),
        ("Pia", "learner"),
        ("Sven", "learner"),
    ];

    /// <summary>Whatever the lay and the lines, the places worked out are in no footprint, band, turn or drop sector.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(57)]
    [InlineData(133)]
    [InlineData(280)]
    public void Places_worked_out_are_out_of_everything(double turn)
    {
        foreach (var plan in new[] { Sound(), SideLeaner(), OverARedirect() })
        {
            var turned = Edited(
                plan,
                ("crew", Crew(Everybody)),
                ("lay.bearingDeg", (plan.Lay.BearingDeg + turn) % 360)
            );
            turned = turned with
            {
                Lines =
                [
                    .. turned.Lines.Select(l =>
                        l with
                        {
                            Anchor = l.Anchor with { BearingDeg = (l.Anchor.BearingDeg + turn) % 360 },
                            Redirects =
                            [
                                .. l.Redirects.Select(r =>
                                    r with
                                    {
                                        At = r.At with { BearingDeg = (r.At.BearingDeg + turn) % 360 },
                                    }
                                ),
                            ],
                        }
                    ),
                ],
            };
            var people = turned.Analysed().Site.People;
            Assert.All(
                people.Where(p => p.Role is not JobRole.Hauler),
                p => Assert.InRange(p.In, PersonDanger.None, PersonDanger.Reach)
            );
            for (var i = 1; i < people.Count; i++)
            {
                Assert.All(people.Take(i), p => Assert.True(p.Place.DistanceTo(people[i].Place) > 1.9));
            }
        }
    }

    [Fact]
    public void The_faller_stands_at_the_end_of_a_way_that_is_clear()
    {
        var plan = WithTargets(
            Edited(Sound(), ("crew", Crew(("Ole", "faller")))),
            new TargetMembers
            {
                Id = "wall",
                Kind = TargetKind.Wall,
                Points = [Place(-8, -2), Place(-2, -8)],
            }
        );
        var faller = Assert.Single(plan.Analysed().Site.People);
        Assert.Equal(315, faller.Place.BearingDeg, 6);
        Assert.InRange(faller.DistanceM, Zones.RetreatLength, 14);
        Assert.Equal(PersonDanger.Reach, faller.In);
    }

    [Fact]
    public void Haulers_stand_by_their_own_line_one_behind_the_other()
    {
        var plan = Edited(SideLeaner(), ("crew", Crew(("Ines", "hauler"), ("Bo", "hauler"), ("Tor", "hauler"))));
        plan = Edited(plan, ("crew[2].lineId", "second"));
        var site = plan.Analysed().Site;
        Assert.Equal(site.Lines[0].Crew, site.People[0].Place);
        Assert.Equal(3, site.People[0].Place.DistanceTo(site.People[1].Place), 6);
        Assert.Equal(site.Lines[1].Crew, site.People[2].Place);
        Assert.Equal("crew[2].lineId", Edited(plan, ("crew[2].lineId", "third")).OnlyProblem().Path);
    }

    /// <summary>Dragged somewhere, the first hauler takes the line's haulers along: one check, not two.</summary>
    [Fact]
    public void The_first_haulers_place_is_the_lines()
    {
        var plan = Edited(
            Sound(),
            ("crew", Json("""[{ "name": "Ines", "role": "hauler", "place": { "eastM": 14, "northM": 1 } }]"""))
        );
        var analysis = plan.Analysed();
        Assert.Equal(new Place(14, 1), analysis.Site.Lines[0].Crew);
        Assert.Single(analysis.Verdict.Reasons, r => r.State == VerdictState.Stop);
    }

    [Fact]
    public void Who_only_looks_on_stands_outside_two_heights()
    {
        var plan = Edited(Sound(), ("crew", Crew(("Pia", "learner"))));
        var pia = Assert.Single(plan.Analysed().Site.People);
        Assert.True(pia.DistanceM > 2 * plan.Tree.HeightM);
        Assert.Equal(PersonDanger.None, pia.In);
    }

    [Fact]
    public void People_move_no_figure()
    {
        var bare = Sound().Analysed();
        var crewed = Edited(Sound(), ("crew", Crew(Everybody))).Analysed();
        Assert.Equal(bare.Plate, crewed.Plate);
        Assert.Equal(bare.Verdict.State, crewed.Verdict.State);
        Assert.Equal(VerdictState.Ready, crewed.Verdict.State);
    }
}
