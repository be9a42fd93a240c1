using Draklo.Core.Clearing;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Rigging;
using Draklo.Core.Units;

namespace Draklo.Core.Questions;

/// <summary>What is asked about clearing a site, and the sums of rigging, each on its own.</summary>
public static class ClearingQuestions
{
    private const string Clearing = "clearing";
    private const string Rigging = "rigging";

    /// <summary>All of them.</summary>
    public static IReadOnlyList<Question> All { get; } =
    [
        new Question<Plan, ClearingAnalysis>(
            (plan, asked) => ClearingAnalysis.Of(plan, asked.Units, asked.AtHand.Yard(asked.Units))
        )
        {
            Path = "/api/clearing",
            Name = "analyseClearing",
            Tag = Clearing,
            Summary =
                "A plan with the member clearing: its pieces, and every way of moving them that is set up, each checked link by link; where one pays over another.",
        },
        new Question<Plan, IReadOnlyList<ClearingRemedy>>(
            (plan, asked) => ClearingRemedies.For(plan, asked.Units, asked.Stop)
        )
        {
            Path = "/api/clearing/remedies",
            Name = "clearingRemedies",
            Tag = Clearing,
            Summary =
                "What would make the chosen way hold: the least change of each kind, each tried on the whole way.",
            Weight = Weight.Heavy,
        },
        new Question<Plan, GroundSectionMembers>((plan, asked) => SectionOfPlan.Of(plan, asked.Units))
        {
            Path = "/api/clearing/section",
            Name = "clearingSection",
            Tag = Clearing,
            Summary =
                "The section of the ground between its two ends on the plan: levelled spots within eight metres, the slope, and what the line crosses.",
        },
        new Question<Plan, IReadOnlyList<FoundGear>>(
            (plan, asked) =>
                ClearingFinder.For(plan, asked.AtHand.Locker.Items, asked.AtHand.Locker.Today, asked.Units, asked.Stop)
        )
        {
            Path = "/api/clearing/find",
            Name = "findClearingGear",
            Tag = Clearing,
            Summary = "The ropes and blocks of the locker that the chosen way holds with, the best first.",
            Weight = Weight.Search,
        },
        new Question<CatchAsk, Catch>((catching, asked) => Catch.Of(catching, asked.Units))
        {
            Path = "/api/rigging/catch",
            Name = "riggingCatch",
            Tag = Rigging,
            Summary = "The peak when a piece drops into its rope, held or let run over a drum; one part or two.",
        },
        new Question<TwoLinesAsk, TwoLines>((lines, asked) => TwoLines.Of(lines, asked.Units))
        {
            Path = "/api/rigging/two-lines",
            Name = "riggingTwoLines",
            Tag = Rigging,
            Summary = "A load that hangs between two lines.",
        },
        new Question<LoadedLineAsk, LoadedLine>((line, asked) => LoadedLine.Of(line, asked.Units))
        {
            Path = "/api/rigging/loaded-line",
            Name = "riggingLoadedLine",
            Tag = Rigging,
            Summary =
                "A load on a line between two ends: by its sag, by the line's length, or by its tension before the load.",
        },
        new Question<SkidAsk, Skid>((skid, asked) => Skid.Of(skid, asked.Units))
        {
            Path = "/api/rigging/skid",
            Name = "riggingSkid",
            Tag = Rigging,
            Summary = "What a log takes to drag up or down a slope.",
        },
        new Question<SparAsk, Spar>((spar, asked) => Spar.Of(spar, asked.Units))
        {
            Path = "/api/rigging/spar",
            Name = "riggingSpar",
            Tag = Rigging,
            Summary = "How a spar and its guy share a pull at its top.",
        },
        new Question<LoweredPlan, Lowering>((lowered, asked) => Lowering.Of(lowered.Plan, lowered.Ask, asked.Units))
        {
            Path = "/api/rigging/lower",
            Name = "lowerTree",
            Tag = Rigging,
            Summary = "A plan with the member lower: the tension of a line that lets the cut tree down, by lean.",
            Reads = LoweredPlan.Read,
            Described = typeof(Plan),
        },
    ];
}

/// <summary>A plan, and how its cut tree is let down.</summary>
/// <param name="Ask">The body's member lower.</param>
public sealed record LoweredPlan(Plan Plan, LoweringAsk Ask)
{
    private const string Lower = "lower";

    /// <summary>Reads a plan document that has the member lower beside its own.</summary>
    internal static (LoweredPlan? Document, List<Problem> Problems) Read(ReadOnlyMemory<byte> body)
    {
        var (rest, lower) = DocumentReader.Apart(body, Lower);
        var (plan, problems) = DocumentReader.Read<Plan>(rest);
        if (plan is null)
        {
            return (null, problems);
        }

        if (lower is not { } member)
        {
            return (null, [new(Lower, "Say where the line that lets the tree down sits and stands.")]);
        }

        var (ask, wrong) = DocumentReader.Read<LoweringAsk>(member);
        return ask is null
            ? (null, [.. wrong.Select(w => w with { Path = $"{Lower}.{w.Path}" })])
            : (new(plan, ask), []);
    }
}
