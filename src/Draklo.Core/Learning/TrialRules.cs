using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Learning;

/// <summary>What a trial must satisfy before it is kept. Half a trial may be kept; only a finished one must be whole.</summary>
public static class TrialRules
{
    public static List<Problem> Check(Trial trial, DateOnly today, UnitSystem units)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(trial, units, problems);
        if (string.IsNullOrWhiteSpace(trial.By))
        {
            problems.Add(new("by", "Say who leads this trial."));
        }

        if (GearRules.Day(trial.On) is not { } day)
        {
            problems.Add(new("on", "The day of the trial is written year-month-day, as in 2026-03-14."));
        }
        else if (day > today)
        {
            problems.Add(new("on", "The day of the trial lies in the future: correct it."));
        }

        Subject(trial, problems);
        var names = trial.Guesses.Select(g => g.Name.Trim()).ToList();
        for (var i = 0; i < names.Count; i++)
        {
            if (names[i].Length == 0)
            {
                problems.Add(new($"guesses[{i}].name", "Say whose guess this is."));
            }
            else if (names.IndexOf(names[i]) < i)
            {
                problems.Add(new($"guesses[{i}].name", $"{names[i]} has guessed already."));
            }
        }

        Readings(trial, units, problems);
        if (problems.Count == 0 && trial.Finished && TrialResult.Of(trial, units).Value is null)
        {
            problems.Add(new("readings", NothingYet(trial)));
        }

        return problems;
    }

    private static string NothingYet(Trial trial) =>
        trial.Kind switch
        {
            TrialKind.Hinge => "Say at which lean the hinge broke, or give the trial up and say why.",
            TrialKind.Friction =>
                "One reading pulling up and one letting down are needed, or give the trial up and say why.",
            _ => "One reading at least is needed, or give the trial up and say why.",
        };

    private static void Subject(Trial trial, List<Problem> problems)
    {
        switch (trial.Kind)
        {
            case TrialKind.Hinge when !Reference.Species.ContainsKey(trial.SpeciesId ?? ""):
                problems.Add(new("speciesId", "Choose the species of the tree."));
                break;
            case TrialKind.Friction
                when trial.DrumTurns is null && !Reference.Contacts.ContainsKey(trial.ContactId ?? ""):
                problems.Add(new("contactId", "Choose what the rope turns round, or give the turns on a drum."));
                break;
            case TrialKind.Grip when !Reference.Grips.ContainsKey(trial.GripId ?? ""):
                problems.Add(new("gripId", "Choose the friction hitch."));
                break;
            case TrialKind.Throw when trial.Way is null:
                problems.Add(new("way", "Say how it is thrown."));
                break;
        }
    }

    private static void Readings(Trial trial, UnitSystem units, List<Problem> problems)
    {
        double lean = 0;
        var broke = false;
        for (var i = 0; i < trial.Readings.Count; i++)
        {
            var reading = trial.Readings[i];
            var path = $"readings[{i}]";
            if (trial.Kind == TrialKind.Hinge)
            {
                if (broke)
                {
                    problems.Add(new(path, "The hinge had broken already: take this step away."));
                }
                else if (reading.LeanDeg is not { } deg)
                {
                    problems.Add(new($"{path}.leanDeg", "Say how far it has turned."));
                }
                else if (deg < lean)
                {
                    problems.Add(
                        new(
                            $"{path}.leanDeg",
                            units.Say($"It had turned {lean:deg} already: a hinge trial turns in one direction only.")
                        )
                    );
                }
                else
                {
                    lean = deg;
                }

                broke |= reading.Broke;
            }

            if (trial.Kind == TrialKind.Friction && reading is { UpN: { } up, DownN: { } down } && down >= up)
            {
                problems.Add(
                    new(
                        $"{path}.downN",
                        "Letting down takes less than pulling up: the two are changed over, or the scale was read while it moved fast."
                    )
                );
            }
        }
    }
}
