using Draklo.Core.Briefs;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using Draklo.Core.Units;

namespace Draklo.Core.Carrying;

/// <summary>What a tablet takes along for all jobs together.</summary>
/// <param name="Today">At the yard, when this was put together.</param>
/// <param name="Items">Every piece of the locker.</param>
/// <param name="KitIds">What is on the truck today; empty while nobody has chosen.</param>
/// <param name="Tackles">Of the crew's own.</param>
/// <param name="Standings">How the pieces stand, by id, in metric words and in US words.</param>
/// <param name="Days">Forecast and clock of the days to come.</param>
public sealed record CarriedLocker(
    DateOnly Today,
    IReadOnlyList<GearItem> Items,
    IReadOnlyList<string> KitIds,
    IReadOnlyList<ComposedMembers> Tackles,
    CarriedStandings Standings,
    IReadOnlyList<CarriedWeather> Days
)
{
    public static CarriedLocker Nothing { get; } =
        new(
            default,
            [],
            [],
            [],
            new(new Dictionary<string, GearStanding>(), new Dictionary<string, GearStanding>()),
            []
        );

    /// <summary>Reserve and factors that the crew keeps.</summary>
    public IReadOnlyList<Policy> Policies { get; init; } = [];

    /// <summary>What the crew keeps that plans are held against.</summary>
    /// <param name="units">Of the words for how a piece stands.</param>
    public Yard Yard(UnitSystem units) => new(Standings.In(units), Policies);
}

/// <summary>Standings by the units that their sentences are written in.</summary>
public sealed record CarriedStandings(
    IReadOnlyDictionary<string, GearStanding> Metric,
    IReadOnlyDictionary<string, GearStanding> Us
)
{
    public IReadOnlyDictionary<string, GearStanding> In(UnitSystem units) => units == UnitSystem.Us ? Us : Metric;
}

/// <summary>A day as the forecast had it when a tablet left.</summary>
/// <param name="OffsetMin">Of the yard's clock from UTC on that day.</param>
public sealed record CarriedWeather(DateOnly On, int OffsetMin, IReadOnlyList<CarriedGust> Gusts);

/// <param name="Hour">0 to 23.</param>
public sealed record CarriedGust(int Hour, double GustMps);

/// <summary>What a tablet takes along of one job: enough to show its brief and to go on with its day.</summary>
/// <param name="Mark">Changes whenever anything of it does.</param>
/// <param name="Entries">Of the day, the earliest first.</param>
/// <param name="Cell">What the load cell is called.</param>
/// <param name="CellIsSimulated">Whether that only stands in for one.</param>
public sealed record CarriedJob(
    string Mark,
    KeptJob Job,
    JobPapers Papers,
    IReadOnlyList<DayEntry> Entries,
    IReadOnlyList<TraceLine> Traces,
    string Cell,
    bool CellIsSimulated
);

/// <summary>An entry that was said at a tablet out of range.</summary>
/// <param name="At">By the tablet's clock.</param>
public sealed record SaidEntry(string At, EntryDocument Entry)
{
    /// <summary>The job's revision under which the tablet took it, 1 or more; left out, it is taken now. What was taken
    /// stays, whatever became of the plan since.</summary>
    public int? TakenUnder { get; init; }
}

/// <summary>A question about a carried job's day.</summary>
/// <param name="Said">What was said at the tablet since, the earliest first.</param>
public sealed record CarriedAsk(CarriedJob Carried, IReadOnlyList<SaidEntry> Said);

/// <summary>A carried job's day with what was said at the tablet since.</summary>
/// <param name="Refused">By the key of an entry that cannot be taken: sentences by member.</param>
public sealed record CarriedDay(
    PullingAnswer Day,
    IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> Refused
)
{
    /// <returns>Problems where the plan cannot be computed.</returns>
    public static (CarriedDay? Day, List<Problem> Problems) Of(
        CarriedAsk asked,
        CarriedLocker locker,
        UnitSystem units,
        TimeSpan offset
    )
    {
        var carried = asked.Carried;
        var (brief, problems) = BriefOf(carried, locker, units);
        if (brief is null || BriefedDay.Of(brief) is not { } day)
        {
            return (null, [.. problems]);
        }

        var entries = carried.Entries.ToList();
        var refused = new Dictionary<string, IReadOnlyDictionary<string, string>>(StringComparer.Ordinal);
        foreach (var said in asked.Said)
        {
            if (entries.Exists(e => e.Entry.Key == said.Entry.Key))
            {
                continue;
            }

            var wrong = new List<Problem>();
            var tension = day.Read(said.Entry, units, wrong);
            var entry =
                said.TakenUnder is { } under ? BriefedDay.Keep(said.Entry, tension, entries, said.At, under)
                : wrong.Count > 0 ? null
                : day.Take(said.Entry, tension, entries, said.At, at => SentTime.Local(at, offset), units, wrong);
            if (entry is null)
            {
                refused[said.Entry.Key] = wrong
                    .DistinctBy(p => p.Path, StringComparer.Ordinal)
                    .ToDictionary(p => p.Path, p => p.Message, StringComparer.Ordinal);
            }
            else
            {
                entries.Add(entry);
            }
        }

        var pulling = PullingAnswer.Of(day, entries, carried.Traces, carried.Cell, units) with
        {
            CellIsSimulated = carried.CellIsSimulated,
        };
        return (new(pulling, refused), []);
    }

    /// <summary>A carried job's brief.</summary>
    public static (BriefAnswer? Answer, IReadOnlyList<Problem> Problems) BriefOf(
        CarriedJob carried,
        CarriedLocker locker,
        UnitSystem units
    ) =>
        BriefAnswer.Of(
            carried.Job,
            carried.Papers,
            locker.Items.DistinctBy(i => i.Id, StringComparer.Ordinal).ToDictionary(i => i.Id, StringComparer.Ordinal),
            locker.Yard(units),
            units
        );
}
