using Draklo.Core.Analyses;
using Draklo.Core.Answers;
using Draklo.Core.Briefs;
using Draklo.Core.Carrying;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Days;
using Draklo.Core.Falls;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>What the sheet asks live, by the server's own paths; the tests ask both homes and compare.</summary>
internal static class Questions
{
    private delegate string Answerer(ReadOnlyMemory<byte> body, Asked asked);

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
        ["/api/day"] = OfPlan(DayOf),
        ["/api/here/brief"] = OfOurs<CarriedJob, BriefAnswer>(
            (carried, asked) =>
            {
                var (answer, problems) = CarriedDay.BriefOf(carried, asked.Locker, asked.Units);
                return (answer, [.. problems]);
            }
        ),
        ["/api/here/pulling"] = OfOurs<CarriedAsk, CarriedDay>(
            (carried, asked) => CarriedDay.Of(carried, asked.Locker, asked.Units, asked.Offset)
        ),
        ["/api/merge"] = Of<MergeAsk<Plan>, MergedDocument<Plan>>((merge, asked) => (merge.Merged(asked.Units), [])),
        ["/api/merge/log"] = Of<MergeAsk<JobLog>, MergedDocument<JobLog>>(
            (merge, asked) => (merge.Merged(asked.Units), [])
        ),
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

    /// <returns>As <see cref="Answers"/> has it.</returns>
    public static string Ask(string path, Asked asked, ReadOnlyMemory<byte> body) =>
        ByPath.TryGetValue(path, out var answer)
            ? answer(body, asked)
            : Answers.Written<Refused>(null, [new("path", $"Nothing here answers {path}: it needs the server.")]);

    /// <param name="progress">Told how many of how many are tried.</param>
    public static (FoundRigs? Made, List<Problem> Problems) FindRigs(
        ReadOnlyMemory<byte> body,
        Asked asked,
        Action<int, int> progress
    )
    {
        var (plan, problems) = DocumentReader.Read<Plan>(body);
        if (plan is null)
        {
            return (null, problems);
        }

        var locker = asked.Locker;
        var onTruck = asked.Flag("truckOnly", false) && locker.KitIds.Count > 0;
        var (finder, wrong) = RigFinder.For(
            plan,
            [.. locker.Items.Where(i => !onTruck || locker.KitIds.Contains(i.Id))],
            locker.Today,
            asked.Units,
            new(asked.Text("people", "").Length > 0 ? asked.Whole("people", 0) : null, locker.Tackles)
        );
        return (finder?.Run(done => progress(done, finder.Total), default), wrong);
    }

    /// <summary>The day by the forecast that was taken along; a day beyond it has none.</summary>
    private static (DayPlan? Made, List<Problem> Problems) DayOf(Plan plan, Asked asked)
    {
        var outcome = PlanAnalysis.Of(plan, asked.Units, withWorkings: false);
        if (outcome.Analysis is not { } analysis)
        {
            return (null, [.. outcome.Problems]);
        }

        DateOnly? on = DateOnly.TryParseExact(asked.Text("on", ""), "yyyy-MM-dd", out var day) ? day : null;
        var weather = asked.Locker.Days.FirstOrDefault(d => d.On == on);
        var offset = weather is null ? asked.Offset : TimeSpan.FromMinutes(weather.OffsetMin);
        var setting = DaySetting.Of(plan, on, offset, (weather?.Gusts ?? []).Select(g => (g.Hour, g.GustMps)));
        var (drawn, problems) = DayPlan.Of(plan, analysis, setting, asked.Units);
        return (drawn, [.. problems]);
    }

    private static Answerer OfPlan<T>(Func<Plan, Asked, (T? Made, List<Problem> Problems)> make)
        where T : class => Of(make);

    /// <summary>Of what the server or this page wrote itself: it is read as it was written.</summary>
    private static Answerer OfOurs<TAsked, T>(Func<TAsked, Asked, (T? Made, List<Problem> Problems)> make)
        where TAsked : class
        where T : class =>
        (body, asked) =>
        {
            var (made, problems) = make(JsonTypes.Read<TAsked>(body.Span), asked);
            return Answers.Written(made, problems);
        };

    private static Answerer Of<TAsked, T>(Func<TAsked, Asked, (T? Made, List<Problem> Problems)> make)
        where TAsked : class
        where T : class =>
        (body, asked) =>
        {
            var (document, problems) = DocumentReader.Read<TAsked>(body);
            var made = default(T);
            if (document is not null)
            {
                (made, problems) = make(document, asked);
            }

            return Answers.Written(made, problems);
        };
}
