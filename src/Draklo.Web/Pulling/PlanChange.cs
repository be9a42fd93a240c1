using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Web.Pulling;

/// <summary>A plan with what changed at the tree.</summary>
internal sealed record PlanChange(Plan Plan, string Words)
{
    public static PlanChange? Of(Plan plan, ChangeDocument asked, UnitSystem units, List<Problem> problems)
    {
        var line = asked.LineId is null ? 0 : plan.Lines.ToList().FindIndex(l => l.Id == asked.LineId);
        if (line < 0)
        {
            problems.Add(new("lineId", $"This plan has no line “{asked.LineId}”."));
            return null;
        }

        var of = plan.Lines.Count > 1 ? $" of the {plan.Lines[line].Id} line" : "";
        switch (asked.What)
        {
            case ChangeKind.SeatDropped when asked.SeatHeightM is { } height:
                return new(
                    plan.WithSeatHeight(line, height),
                    units.Say($"The seat{of} dropped from {plan.Lines[line].Seat.HeightM:m} to {height:m}.")
                );
            case ChangeKind.Haulers
                when asked.People is { } people && plan.Lines[line].Puller.Kind == PullerKind.People:
                return new(
                    plan.WithPuller(line, p => p with { Count = people }),
                    $"{Sentences.Count(people).Capitalised()} {(people == 1 ? "person hauls" : "people haul")}{of} in place of {Sentences.Count(plan.Lines[line].Puller.Count)}."
                );
            case ChangeKind.Wind when asked.WindMps is not null || asked.GustMps is not null:
                var wind = plan.Wind with
                {
                    SpeedMps = asked.WindMps ?? plan.Wind.SpeedMps,
                    GustMps = asked.GustMps ?? plan.Wind.GustMps,
                    FromDeg = asked.WindFromDeg ?? plan.Wind.FromDeg,
                };
                return new(
                    plan with
                    {
                        Wind = wind,
                    },
                    wind.GustMps is { } gust
                        ? units.Say($"The wind is {wind.SpeedMps ?? 0:m/s} with gusts of {gust:m/s}.")
                        : units.Say($"The wind is {wind.SpeedMps ?? 0:m/s}.")
                );
            default:
                problems.Add(
                    asked.What switch
                    {
                        ChangeKind.SeatDropped => new("seatHeightM", "Say how high the seat is now."),
                        ChangeKind.Haulers when plan.Lines[line].Puller.Kind != PullerKind.People => new(
                            "what",
                            "Nobody hauls this line by hand."
                        ),
                        ChangeKind.Haulers => new("people", "Say how many haul."),
                        _ => new("windMps", "Say how strong the wind is."),
                    }
                );
                return null;
        }
    }
}
