using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Days;
using Draklo.Core.Falls;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Questions;

/// <summary>What is asked about pulling a tree.</summary>
public static class PullQuestions
{
    private const string Tag = "analysis";
    private const int MostLines = 99;

    private static readonly WholeNumber Line = new("line", 0, 0, MostLines, "The line's number, from 0.");

    private static readonly YesOrNo Workings = new(
        "workings",
        true,
        "Whether the sums behind each figure are written out."
    );

    private static readonly Words Code = new("code", "", "The stop's code, as the verdict names it.");

    private static readonly Words At = new("path", "", "The member that the stop points at.");

    private static readonly Words Link = new("link", "", "The link's id, or the end of it.");

    private static readonly WholeNumber ChanceSamples = new(
        "samples",
        1000,
        PlanChances.Fewest,
        PlanChances.Most,
        "How many samples of what is not known."
    );

    private static readonly WholeNumber Seed = new(
        "seed",
        1,
        0,
        int.MaxValue,
        "The same plan and seed give the same answer."
    );

    private static readonly Number HaulSpeed = new(
        "haulSpeedMps",
        FallAsk.UsualHaulSpeedMps,
        FallAsk.SlowestHaulMps,
        FallAsk.FastestHaulMps,
        "m/s",
        "How fast the hands take rope in, m/s."
    );

    private static readonly YesOrNo Drag = new("drag", true, "Whether the crown's drag in the air slows the fall.");

    private static readonly WholeNumber FallSamples = new(
        "samples",
        0,
        0,
        FallAsk.MostSamples,
        "How many samples of what is not known; 0 for none."
    );

    private static readonly YesOrNo AtAim = new(
        "aim",
        false,
        "Whether the hinge stands square to the aim, as it will be cut, or to the lay."
    );

    private static readonly WholeNumber Step = new("step", 5, 1, 90, "Degrees between bearings; divides 360.")
    {
        Fits = step => 360 % step == 0,
        Also = " of degrees that divides 360,",
    };

    private static readonly Headcount People = new(
        "people",
        RigFinder.MostPeople,
        "How many haul; as many as the plan says, without."
    );

    private static readonly YesOrNo TruckOnly = new(
        "truckOnly",
        false,
        "Whether only today's kit is looked through, where one was chosen."
    );

    private static readonly Words Contact = new(
        "contactId",
        "bushed-block",
        "The turn where the tackle gives none, from the table of turns."
    );

    private static readonly CalendarDay On = new("on", "The day; without it light and wind are left out.");

    /// <summary>All of them.</summary>
    public static IReadOnlyList<Question> All { get; } =
    [
        new Question<Plan, Analysis>(
            (plan, asked) =>
            {
                var outcome = JobAnalysis.Of(plan, asked.Units, asked.Of(Workings), asked.AtHand.Yard(asked.Units));
                return (outcome.Analysis, outcome.Problems);
            }
        )
        {
            Path = "/api/analysis",
            Name = "analyse",
            Tag = Tag,
            Summary = "Analyses a plan document and keeps nothing.",
            Description =
                "A piece of the locker that hangs on the plan is looked up there. units=us writes sentences and workings in US customary units; figures are SI in any case. workings=false leaves the workings out.",
            With = [Workings],
        },
        new Question<Plan, StemProfile>((plan, asked) => StemProfile.Of(plan, asked.Of(Line), asked.Units))
        {
            Path = "/api/stem",
            Name = "stemProfile",
            Tag = Tag,
            Summary = "Bending along the stem and what other seats of a line would do.",
            With = [Line],
        },
        new Question<Plan, IReadOnlyList<Remedy>>(
            (plan, asked) => Remedies.For(plan, asked.Of(Link), asked.Units, asked.Stop)
        )
        {
            Path = "/api/remedies",
            Name = "remedies",
            Tag = Tag,
            Summary = "What would make a link hold: the least change of each kind, each tried by the full analysis.",
            With = [Link],
            Weight = Weight.Heavy,
        },
        new Question<Plan, IReadOnlyList<StopRemedy>>(
            (plan, asked) =>
                StopRemedies.For(
                    plan,
                    new(asked.Of(Code), asked.Of(At), asked.Of(Link)),
                    asked.Units,
                    asked.AtHand.Yard(asked.Units),
                    asked.Stop
                )
        )
        {
            Path = "/api/remedies/stop",
            Name = "stopRemedies",
            Tag = Tag,
            Summary = "What would take a stop away: the least change of each kind, each tried by the full analysis.",
            Description = "Empty where no change of the plan was found that mends it and makes no other stop.",
            With = [Code, At, Link],
            Weight = Weight.Search,
        },
        new Question<Plan, TackleView>((plan, asked) => TackleView.Of(plan, asked.Of(Line), asked.Units))
        {
            Path = "/api/tackle/view",
            Name = "tackleView",
            Tag = Tag,
            Summary =
                "A line's tackle as it is drawn: legs, points, what each contact costs, how it moves and in how many sets it hauls.",
            With = [Line],
        },
        new Question<ComposedMembers, ComposedTackle>(Compose)
        {
            Path = "/api/tackle/compose",
            Name = "composeTackle",
            Tag = Tag,
            Summary = "A tackle of one's own, by stages or rope by rope: what it gives, or why it cannot haul.",
            With = [Contact],
        },
        new Question<Arrangement, TackleSolution>((arrangement, _) => TackleSolver.Solve(arrangement))
        {
            Path = "/api/tackle",
            Name = "solveTackle",
            Tag = Tag,
            Summary = "Solves an arrangement of ropes and points for a hand force of 1.",
        },
        new Question<Plan, FoundRigs>(FindRigs)
        {
            Path = "/api/rigs",
            Name = "findRigs",
            Tag = Tag,
            Summary =
                "The best ways to pull the main line with what is in the locker and stands on the plan; the hub /hubs/finder tells its progress and can be stopped.",
            With = [People, TruckOnly],
            Weight = Weight.Search,
        },
        new Question<Plan, PlanChances>(
            (plan, asked) => PlanChances.Of(plan, asked.Of(ChanceSamples), asked.Of(Seed), asked.Units, asked.Stop)
        )
        {
            Path = "/api/chances",
            Name = "chances",
            Tag = Tag,
            Summary =
                "What is not known carried through: spread of tension and hand force over many samples, the chance that each link fails, and what to measure better.",
            With = [ChanceSamples, Seed],
            Weight = Weight.Heavy,
        },
        new Question<Plan, Fall>(
            (plan, asked) =>
                Fall.Of(
                    plan,
                    new(asked.Of(HaulSpeed), asked.Of(Drag), asked.Of(FallSamples), asked.Of(AtAim)),
                    asked.Units,
                    asked.Stop
                )
        )
        {
            Path = "/api/fall",
            Name = "fall",
            Tag = Tag,
            Summary =
                "What follows from commit: where the tip lands, when and how fast, where line and hinge let go, what happens if the hinge tears.",
            With = [HaulSpeed, Drag, FallSamples, AtAim],
            HeavyAbove = FallSamples,
        },
        new Question<Plan, LayRose>((plan, asked) => LayRose.Of(plan, asked.Units, asked.Of(Step), asked.Stop))
        {
            Path = "/api/rose",
            Name = "layRose",
            Tag = "site",
            Summary = "What every direction would take to lay the tree there.",
            With = [Step],
            Weight = Weight.Heavy,
        },
        new Question<Plan, DayPlan>(DrawUpDay)
        {
            Path = "/api/day",
            Name = "drawUpDay",
            Tag = "day",
            Summary =
                "The tasks that a plan calls for against the clock: finish with its spread, light, the forecast's wind, cost and alternatives.",
            With = [On],
        },
    ];

    private static (ComposedTackle? Made, IReadOnlyList<Problem> Problems) Compose(ComposedMembers own, Asked asked) =>
        Reference.Contacts.TryGetValue(asked.Of(Contact), out var contact)
            ? ComposedTackle.Of(own, contact)
            : (null, [new(Contact.Name, $"“{asked.Of(Contact)}” is not in the table of turns: choose one that is.")]);

    private static (FoundRigs? Made, IReadOnlyList<Problem> Problems) FindRigs(Plan plan, Asked asked)
    {
        var locker = asked.AtHand.Locker;
        var onTruck = asked.Of(TruckOnly) && locker.KitIds.Count > 0;
        var (finder, problems) = RigFinder.For(
            plan,
            [.. locker.Items.Where(i => !onTruck || locker.KitIds.Contains(i.Id))],
            locker.Today,
            asked.Units,
            new(asked.Of(People), locker.Tackles)
        );
        return (finder?.Run(done => asked.Progress?.Invoke(done, finder.Total), asked.Stop), problems);
    }

    private static (DayPlan? Made, IReadOnlyList<Problem> Problems) DrawUpDay(Plan plan, Asked asked)
    {
        var outcome = JobAnalysis.Of(plan, asked.Units, withWorkings: false, asked.AtHand.Yard(asked.Units));
        return outcome.Analysis is { } analysis
            ? DayPlan.Of(plan, analysis, asked.AtHand.SettingOf(plan, asked.Of(On)), asked.Units)
            : (null, outcome.Problems);
    }
}
