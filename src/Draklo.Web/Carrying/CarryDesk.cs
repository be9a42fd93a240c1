using System.Globalization;
using Draklo.Core.Carrying;
using Draklo.Core.Logs;
using Draklo.Core.Pulling;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Briefs;
using Draklo.Web.Crew;
using Draklo.Web.Hosting;
using Draklo.Web.Outside;

namespace Draklo.Web.Carrying;

/// <summary>What a tablet takes along, for all jobs together.</summary>
/// <param name="Seal">Public key, in base64 as SubjectPublicKeyInfo: PINs that are given out of range are sealed with it.</param>
/// <param name="Jobs">Jobs that are not over, the soonest first, and what tells whether anything of them changed.</param>
public sealed record CarriedAnswer(CarriedLocker Locker, string Seal, IReadOnlyList<JobMark> Jobs);

/// <summary>Puts together what tablets take along.</summary>
internal sealed class CarryDesk(
    JobStore jobs,
    JobIndex index,
    JobMarks marks,
    BriefDesk briefs,
    PullStore pulling,
    LockerStore locker,
    KitStore kits,
    TackleStore tackles,
    PolicyStore policies,
    IForecast forecast,
    ILoadCell cell,
    PinSeal seal,
    TimeProvider clock
)
{
    /// <summary>Nobody takes more jobs along.</summary>
    public const int MostJobs = 200;
    private const int DaysAhead = 14;

    private static readonly string[] Open =
    [
        .. Enum.GetValues<JobStage>()
            .Where(s => s is not (JobStage.Done or JobStage.CalledOff))
            .Select(LogStore.NameOf),
    ];

    public CarriedAnswer All()
    {
        var open = new JobSearch("", Open, "", "", "", "", "", JobSort.Day);
        return new(Locker(), seal.PublicKey, marks.Of([.. index.Found(open).Take(MostJobs).Select(j => j.Id)]));
    }

    /// <summary>The locker, today's kit and the days to come.</summary>
    public CarriedLocker Locker()
    {
        var today = locker.Today;
        var day = today.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        return new(
            today,
            [.. locker.List().Select(k => k.Item)],
            kits.List().FirstOrDefault(k => k.On == day)?.Items ?? [],
            [.. tackles.List().Select(t => t.Tackle)],
            new(locker.Standings(UnitSystem.Metric), locker.Standings(UnitSystem.Us)),
            [.. Enumerable.Range(0, DaysAhead).Select(d => WeatherOf(today.AddDays(d)))]
        )
        {
            Policies = policies.List(),
        };
    }

    /// <summary>Null when there is no such job.</summary>
    public CarriedJob? Of(string id) =>
        jobs.Find(id) is not { } job
            ? null
            : new(
                marks.Of([id])[0].Mark,
                BriefDesk.KeptOf(job),
                briefs.PapersOf(job),
                pulling.Entries(id),
                [.. pulling.Extents(id).Select(e => new TraceLine(e.LineId, e.Count))],
                cell.Name,
                cell.IsSimulated
            );

    private CarriedWeather WeatherOf(DateOnly day) =>
        new(
            day,
            (int)clock.LocalTimeZone.GetUtcOffset(day.ToDateTime(new TimeOnly(12, 0))).TotalMinutes,
            [.. forecast.Of(day).Select(h => new CarriedGust(h.Hour, h.GustMps))]
        );
}
