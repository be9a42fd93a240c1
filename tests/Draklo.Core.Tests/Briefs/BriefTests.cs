using Draklo.Core.Briefs;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The page that everybody works by, and what a signature on it stands under.</summary>
public sealed class BriefTests
{
    private static readonly Dictionary<string, GearItem> Locker = new(StringComparer.Ordinal)
    {
        ["long-60"] = new()
        {
            Id = "long-60",
            Kind = GearKind.Rope,
            Name = "Long line",
            Marks = "tag 1",
        },
        ["old"] = new()
        {
            Id = "old",
            Kind = GearKind.Rope,
            Name = "Old line",
            Marks = "tag 0",
            State = GearState.Retired,
        },
    };

    private static readonly Plan Crewed = Edited(
        Sound(),
        ("crew", Crew(("Runa", "lead"), ("Ole", "faller"), ("Ines", "hauler"), ("Bo", "hauler"), ("Tove", "watcher"))),
        ("lines[0].rope.itemId", "long-60")
    );

    [Fact]
    public void The_page_says_what_the_plan_says()
    {
        var brief = Of(Crewed);
        Assert.Equal(["pretension", "planned", "each", "haul", "commit", "gust"], brief.Figures.Select(f => f.Id));
        var plate = Crewed.Analysed().Plate;
        var ends = brief.Figures[0].Text.Replace(" kN", "", StringComparison.Ordinal).Split(" – ");
        // A floor is rounded up and a ceiling down.
        Assert.InRange(double.Parse(ends[0]) * 1000, plate.FloorN, plate.FloorN + 100);
        Assert.InRange(double.Parse(ends[1]) * 1000, plate.CeilingN - 100, plate.CeilingN);
        Assert.Contains("lbf", Of(Crewed, UnitSystem.Us).Figures[0].Text, StringComparison.Ordinal);
        Assert.Contains(brief.Cuts, c => c.Text.Contains("hinge of 5 cm", StringComparison.Ordinal));
        Assert.Contains(brief.Stops, s => s.Contains("oak stirs", StringComparison.Ordinal));
        Assert.Equal(["L", "F", "H", "H2", "W"], brief.People.Select(p => p.Letter));
        Assert.Equal(4, brief.Signals.Count);
        Assert.Equal(4, brief.HelpMissing.Count);
        Assert.Contains("competent person", brief.Caution, StringComparison.Ordinal);
        var watcher = brief.Cards.Single(c => c.Role == JobRole.Watcher);
        Assert.Equal(["Tove"], watcher.Names);
        Assert.Contains(watcher.Shout, s => s.Contains("goes by itself", StringComparison.Ordinal));
    }

    [Fact]
    public void A_winch_on_the_line_itself_reads_like_itself_everywhere()
    {
        var plan = Edited(
            Sound(),
            ("crew", Crew(("Ole", "faller"), ("Runa", "machine"), ("Ines", "lead"), ("Bo", "hauler")))
        );
        var brief = Of(
            plan.WithMain(l =>
                l with
                {
                    Tackle = new() { SystemId = "direct", ContactId = "bushed-block" },
                    Puller = new() { Kind = PullerKind.HandWinch, MachineN = 16_000 },
                }
            )
        );

        var all = string.Join(
            '\n',
            brief.Cards.SelectMany(c => c.Stand.Concat(c.Watch).Concat(c.Shout)).Concat(brief.Stops)
        );
        Assert.DoesNotContain("Each about", all, StringComparison.Ordinal);
        Assert.DoesNotContain("grip", all, StringComparison.Ordinal);
        Assert.DoesNotContain("blocks", all, StringComparison.Ordinal);
        Assert.DoesNotContain("haulers", all, StringComparison.Ordinal);
        Assert.Contains(
            "handle",
            string.Join(' ', brief.Cards.Single(c => c.Role == JobRole.Machine).Stand),
            StringComparison.Ordinal
        );
        Assert.Contains(
            brief.Gear,
            g =>
                g.Name.StartsWith("Hand winch", StringComparison.Ordinal)
                && g.Name.Contains("16 kN", StringComparison.Ordinal)
        );
        Assert.Contains(Of(plan).Gear, g => g.Name.StartsWith("Gloves for ", StringComparison.Ordinal));
    }

    [Fact]
    public void The_packing_list_names_pieces_by_their_tag_and_says_what_must_stay()
    {
        var line = Of(Crewed).Gear.Single(p => p.Key == "long-60");
        Assert.Equal(("Long line", "tag 1", ""), (line.Name, line.Tag, line.Trouble));
        var old = Edited(Crewed, ("lines[0].rope.itemId", "old"));
        Assert.Contains("retired", Of(old).Gear.Single(p => p.Key == "old").Trouble, StringComparison.Ordinal);
        Assert.Contains(SignOffOf(old).Holds, h => h.Kind == "gear");
        Assert.Single(Of(Crewed).Gear, p => p.Key == "first-aid");
    }

    [Fact]
    public void The_fingerprint_is_of_figures_and_places_in_no_units()
    {
        var brief = Of(Crewed);
        Assert.Equal(brief.Fingerprint, Of(Crewed, UnitSystem.Us).Fingerprint);
        Assert.Equal(brief.Fingerprint, Of(Crewed with { Name = "Another name" }).Fingerprint);
        foreach (
            var (path, value) in new (string, object)[]
            {
                ("lay.bearingDeg", 96),
                ("cut.hingeThicknessM", 0.045),
                ("crew[4].place", Json("""{ "eastM": -3, "northM": 30 }""")),
                ("crew[4].role", "learner"),
                ("lines[0].anchor.distanceM", 31),
                ("signals", Json("""[{ "sign": "horn", "means": "stop" }]""")),
                ("lines[0].rope.itemId", "old"),
            }
        )
        {
            Assert.NotEqual(brief.Fingerprint, Of(Edited(Crewed, (path, value))).Fingerprint);
        }
    }

    [Fact]
    public void Turning_the_lay_voids_two_signatures_and_says_what_moved()
    {
        var brief = Of(Crewed);
        Signature[] signed = [Sign(1, "Ole", brief), Sign(2, "Ines", brief)];
        Assert.Equal(2, SignOff.Of(Crewed, brief, signed, UnitSystem.Metric).People.Count(p => p.HasSigned));

        var turned = Edited(Crewed, ("lay.bearingDeg", 96));
        var after = SignOff.Of(turned, Of(turned), signed, UnitSystem.Metric);
        Assert.DoesNotContain(after.People, p => p.HasSigned);
        var again = after.People.Where(p => p.Last is not null).ToList();
        Assert.Equal(["Ole", "Ines"], again.Select(p => p.Name));
        var lay = again[0].Changes.Single(c => c.Id == "lay.bearingDeg");
        Assert.Equal(("90°", "96°"), (lay.Was, lay.Is));
        Assert.False(after.MayIssue);

        // Turned back, the page is the one that was signed.
        Assert.Equal(2, SignOff.Of(Crewed, Of(Crewed), signed, UnitSystem.Metric).People.Count(p => p.HasSigned));
    }

    [Fact]
    public void Everybody_signed_and_nothing_open_may_be_issued()
    {
        var brief = Of(Crewed);
        Signature[] all = [.. Crewed.Crew.Select((c, i) => Sign(i, c.Name, brief))];
        Assert.True(SignOff.Of(Crewed, brief, all, UnitSystem.Metric).MayIssue);
        Assert.Equal("unsigned", Assert.Single(SignOff.Of(Crewed, brief, all[1..], UnitSystem.Metric).Holds).Kind);
    }

    [Fact]
    public void Open_checks_and_guesses_without_a_name_hold_it()
    {
        var guessed = Edited(Crewed, ("guesses", Json("""["tree.crown.baseHeightM"]""")));
        var holds = SignOffOf(guessed).Holds;
        Assert.Contains(holds, h => h is { Kind: "guess", Path: "tree.crown.baseHeightM" });
        var windy = Edited(Crewed, ("wind.gustMps", 9));
        Assert.Contains(SignOffOf(windy).Holds, h => h.Kind == "check");
        var nobody = SignOffOf(Sound());
        Assert.Contains(nobody.Holds, h => h is { Kind: "nobody", Path: "crew" });
    }

    [Fact]
    public void Two_of_one_name_are_refused() =>
        Assert.Equal(
            "crew[1].name",
            Edited(Sound(), ("crew", Crew(("Ole", "faller"), ("Ole", "hauler")))).OnlyProblem().Path
        );

    private static SignOff SignOffOf(Plan plan) => SignOff.Of(plan, Of(plan), [], UnitSystem.Metric);

    private static Signature Sign(long number, string name, Brief brief) =>
        new()
        {
            Number = number,
            Name = name,
            Role = "hauler",
            At = "2026-12-01T08:15:00Z",
            Way = "own-pin",
            EnteredBy = name,
            Fingerprint = brief.Fingerprint,
            Covered = brief.Covered,
            ClockBack = false,
        };

    private static Brief Of(Plan plan, UnitSystem units = UnitSystem.Metric) => PageOf(plan, Locker, units);
}
