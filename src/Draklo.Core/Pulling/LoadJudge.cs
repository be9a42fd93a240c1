using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>Judges what the line that carries or hauls the loads reads.</summary>
internal static class LoadJudge
{
    private const double OverPlan = 1.25;

    /// <summary>Where the loads stand, while nothing is found.</summary>
    public static string Title(PullBasis basis, IReadOnlyList<DayEntry> counting)
    {
        if (basis.Loads is not { } loads)
        {
            return "The way of clearing is not set up: see its page.";
        }

        var view = LoadsView.Of(loads, counting);
        return view.Moved < view.Planned
            ? $"As expected. Load {view.Moved + 1} of {view.Planned}."
            : $"{(view.Planned == 1 ? "The load is" : $"All {view.Planned} loads are")} there. The day is kept, ready for the log.";
    }

    public static void Add(PullBasis basis, UnitSystem units, IReadOnlyList<PullLineView> lines, FindingList findings)
    {
        if (lines is not [{ ReadN: { } read, PlannedN: var planned, CeilingN: var most }])
        {
            return;
        }

        var first = basis.Loads?.GivesFirst?.Name.Uncapitalised() ?? "line";
        if (read.Nominal > most)
        {
            findings.Stop(
                "load-over-most",
                units.Say(
                    $"{read.Nominal:N} is over the {most:N} that the line may read: hold, and take the load off it. Over it the {first} is past what it may carry."
                )
            );
        }
        else if (read.High > most)
        {
            findings.Look(
                "load-may-be-over",
                units.Say($"It may be {read.High:N}, over the {most:N} that the line may read: a smaller load next.")
            );
        }
        else if (read.Nominal > OverPlan * planned)
        {
            findings.Look(
                "load-over-plan",
                units.Say(
                    $"{read.Nominal:N}, and {planned:N} is planned: is the load heavier than thought, does it catch, or does the line hang tighter?"
                )
            );
        }
    }
}
