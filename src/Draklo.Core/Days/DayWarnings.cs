using Draklo.Core.Units;

namespace Draklo.Core.Days;

/// <summary>What of the day does not fit.</summary>
internal static class DayWarnings
{
    private const double EndOfDayMin = 1440;

    public static List<string> Of(
        IReadOnlyList<ClockedTask> tasks,
        Spread finish,
        int people,
        Daylight? light,
        IReadOnlyList<WindHour> wind,
        double? standsMps,
        UnitSystem units
    )
    {
        var found = new List<string>();
        AddLight(tasks, finish, light, found);
        AddWind(tasks, wind, standsMps, units, found);
        foreach (var task in tasks.Where(t => t.People > people))
        {
            found.Add(
                $"“{task.Name}” takes {Sentences.Count(task.People)} people and {Sentences.Count(people)} are on the job."
            );
        }

        if (finish.High > EndOfDayMin)
        {
            found.Add("The day may not be over by midnight: make it two days, or take more people.");
        }

        return found;
    }

    private static void AddLight(IReadOnlyList<ClockedTask> tasks, Spread finish, Daylight? light, List<string> found)
    {
        if (light is null)
        {
            found.Add("Daylight is not known: set the day, and where on earth the tree stands (Site).");
            return;
        }

        if (light.Never)
        {
            found.Add("The sun does not rise that day.");
        }

        if (light.SunriseMin is { } rise && tasks[0].BeginsMin < (light.LightFromMin ?? rise))
        {
            found.Add(
                $"It begins at {DayClock.Write(tasks[0].BeginsMin)}, before there is light at {DayClock.Write(light.LightFromMin ?? rise)}."
            );
        }

        if (light.SunsetMin is not { } set)
        {
            return;
        }

        var dark = light.LightUntilMin ?? EndOfDayMin;
        if (finish.Nominal > set)
        {
            found.Add(
                $"It ends about {DayClock.Write(finish.Nominal)}, after sunset at {DayClock.Write(set)}; usable light lasts until {DayClock.Write(dark)}."
            );
        }
        else if (finish.High > set)
        {
            found.Add(
                $"In one day of twenty it lasts past {DayClock.Write(finish.High)}, after sunset at {DayClock.Write(set)}: settle when not to start the cuts any more."
            );
        }

        var fall = tasks.FirstOrDefault(t => t.Id == DrawnTasks.Pull);
        if (fall is not null && fall.EndsMin > set)
        {
            found.Add($"The pull would end at {DayClock.Write(fall.EndsMin)}, after sunset: leave it to another day.");
        }
    }

    private static void AddWind(
        IReadOnlyList<ClockedTask> tasks,
        IReadOnlyList<WindHour> wind,
        double? standsMps,
        UnitSystem units,
        List<string> found
    )
    {
        if (standsMps is not { } stands)
        {
            return;
        }

        // From the first cut until the tree is down.
        var exposed = tasks.Where(t => t.Id is DrawnTasks.Notch or DrawnTasks.Cuts or DrawnTasks.Pull).ToList();
        if (exposed.Count == 0 || wind.Count == 0)
        {
            return;
        }

        var (from, to) = (exposed.Min(t => t.BeginsMin), exposed.Max(t => t.EndsMin));
        var worst = wind.Where(h => h.TooMuch && (h.Hour * 60) < to && ((h.Hour + 1) * 60) > from)
            .MaxBy(h => h.GustMps);
        if (worst is not null)
        {
            found.Add(
                units.Say(
                    $"Between the first cut and the fall, {DayClock.Write(from)} to {DayClock.Write(to)}, gusts of {worst.GustMps:m/s} are forecast about {DayClock.Write(worst.Hour * 60)}, and the plan stands {stands:m/s}: choose another hour."
                )
            );
        }
    }
}
