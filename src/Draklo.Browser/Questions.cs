using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Falls;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>What the sheet asks live, by the server's own paths; the tests ask both homes and compare.</summary>
internal static class Questions
{
    private delegate (object? Made, List<Problem> Problems) Answerer(ReadOnlyMemory<byte> body, Asked asked);

    private static readonly Dictionary<string, Answerer> ByPath = new(StringComparer.Ordinal)
    {
        ["/api/analysis"] = OfPlan<Analysis>(
            (plan, asked) =>
            {
                var outcome = PlanAnalysis.Of(plan, asked.Units, asked.Flag("workings", true), asked.Standings);
                return (outcome.Analysis, [.. outcome.Problems]);
            }
        ),
        ["/api/stem"] = OfPlan((plan, asked) => StemProfile.Of(plan, asked.Whole("line", 0), asked.Units)),
        ["/api/tackle/view"] = OfPlan((plan, asked) => TackleView.Of(plan, asked.Whole("line", 0), asked.Units)),
        ["/api/remedies"] = OfPlan((plan, asked) => Remedies.For(plan, asked.Text("link", ""), asked.Units)),
        ["/api/chances"] = OfPlan(
            (plan, asked) =>
                PlanChances.Of(plan, asked.Whole("samples", 1000), asked.Whole("seed", 1), asked.Units, default)
        ),
        ["/api/fall"] = OfPlan(
            (plan, asked) =>
                Fall.Of(
                    plan,
                    new(
                        asked.Number("haulSpeedMps", 0.4),
                        asked.Flag("drag", true),
                        asked.Whole("samples", 0),
                        asked.Flag("aim", false)
                    ),
                    asked.Units
                )
        ),
        ["/api/rose"] = OfPlan((plan, asked) => LayRose.Of(plan, asked.Units, asked.Whole("step", 5), default)),
        ["/api/clearing"] = OfPlan((plan, asked) => ClearingAnalysis.Of(plan, asked.Units, asked.Standings)),
        ["/api/clearing/remedies"] = OfPlan((plan, asked) => ClearingRemedies.For(plan, asked.Units, default)),
        ["/api/clearing/section"] = OfPlan((plan, asked) => SectionOfPlan.Of(plan, asked.Units)),
        ["/api/tackle/compose"] = Of<ComposedMembers, ComposedTackle>(
            (own, asked) =>
                Reference.Contacts.TryGetValue(asked.Text("contactId", "bushed-block"), out var contact)
                    ? ComposedTackle.Of(own, contact)
                    : (
                        null,
                        [
                            new(
                                "contactId",
                                $"“{asked.Text("contactId", "")}” is not in the table of turns: choose one that is."
                            ),
                        ]
                    )
        ),
    };

    public static (object? Made, List<Problem> Problems) Ask(string path, Asked asked, ReadOnlyMemory<byte> body) =>
        ByPath.TryGetValue(path, out var answer)
            ? answer(body, asked)
            : (null, [new("path", $"Nothing here answers {path}: it needs the server.")]);

    private static Answerer OfPlan<T>(Func<Plan, Asked, (T? Made, List<Problem> Problems)> make)
        where T : class => Of(make);

    private static Answerer Of<TAsked, T>(Func<TAsked, Asked, (T? Made, List<Problem> Problems)> make)
        where TAsked : class
        where T : class =>
        (body, asked) =>
        {
            var (document, problems) = DocumentReader.Read<TAsked>(body);
            return document is null ? (null, problems) : make(document, asked);
        };
}
