using System.ComponentModel.DataAnnotations;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Crew;

/// <summary>A new PIN, and what allows it.</summary>
public sealed record PinDocument
{
    [Display(Name = "New PIN", Description = "4 to 12 digits.")]
    public required string Pin { get; init; }

    [Display(Name = "PIN until now", Description = "Needed where there is one.")]
    public string? Old { get; init; }
}

/// <summary>The crew's book, what people sign with, templates and today's kit.</summary>
internal static class CrewEndpoints
{
    public static void MapCrew(this IEndpointRouteBuilder app)
    {
        app.MapNamed<PersonStore, Person>("/api/crew", "person", "people", p => p.Id, CheckPerson);
        app.MapNamed<TemplateStore, JobTemplate>(
            "/api/templates",
            "template",
            "templates",
            t => t.Id,
            (template, problems) =>
            {
                if (string.IsNullOrWhiteSpace(template.Name))
                {
                    problems.Add(new("name", "Give the template a name."));
                }
            }
        );
        app.MapNamed<KitStore, TodayKit>("/api/kits", "kit", "kits", k => k.Id, CheckKit);
        app.MapNamed<SetStore, PlanSet>("/api/sets", "set", "sets", s => s.Id, CheckSet);
        app.MapGet("/api/crew-pins", (PinStore pins) => pins.Ids())
            .WithName("peopleWithPin")
            .WithTags("people")
            .WithSummary("Ids of the people who have a PIN to sign with.");
        app.MapPut("/api/crew/{id}/pin", SetPinAsync)
            .WithName("setPin")
            .WithTags("people")
            .WithSummary("Sets what a person signs with; one that is there is changed with the old one.")
            .Accepts<PinDocument>("application/json")
            .Produces(204)
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
    }

    private static void CheckPerson(Person person, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(person.Name))
        {
            problems.Add(new("name", "Give the person's first name."));
        }
    }

    private static void CheckSet(PlanSet set, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(set.Name))
        {
            problems.Add(new("name", "Give the set a name that the crew will know it by."));
        }

        if (new object?[] { set.Pull, set.Crew, set.Anchor }.Count(part => part is not null) != 1)
        {
            problems.Add(new("", "A set is of what one pulls with, of people, or of an anchor: give one of them."));
        }

        if (set.Crew is { People.Count: 0 })
        {
            problems.Add(new("crew.people", "Nobody is in this set: put somebody on the job first."));
        }
    }

    private static void CheckKit(TodayKit kit, List<Problem> problems)
    {
        if (!DayText.TryRead(kit.On, out _))
        {
            problems.Add(new("on", DayText.HowWritten));
        }
    }

    private static async Task<IResult> SetPinAsync(
        PersonStore people,
        Pins pins,
        SessionStore sessions,
        HttpRequest request,
        string id
    )
    {
        var (asked, refusal) = await request.ReadAsync<PinDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        if (people.List().FirstOrDefault(p => p.Id == id) is not { } person)
        {
            return PlainProblems.NotFound("There is nobody of this name in the crew's book.");
        }

        if (pins.NotNew(asked.Pin) is { } notNew)
        {
            return PlainProblems.Refused([new("pin", notNew)]);
        }

        if (pins.Has(id) && pins.Refusal(id, person.Name, asked.Old, toChange: true) is { } wrong)
        {
            return PlainProblems.Refused([new("old", wrong)]);
        }

        pins.Set(id, asked.Pin);
        // Whoever came in by the old one signs in again.
        sessions.EndOf(id);
        return Results.NoContent();
    }
}
