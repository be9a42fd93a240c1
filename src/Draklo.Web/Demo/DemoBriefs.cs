using Draklo.Core.Briefs;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Briefs;
using Draklo.Web.Crew;

namespace Draklo.Web.Demo;

/// <summary>What the made-up crew signs with, and the one brief that it has issued.</summary>
internal static class DemoBriefs
{
    private const string Job = "Birch at the mill race";

    public static void AddTo(Database fresh, string folder, TimeProvider clock)
    {
        var people = new PersonStore(fresh, clock);
        var pins = new Pins(new(fresh), clock);
        foreach (var person in people.List())
        {
            pins.Set(person.Id, Pins.OfDemo);
        }

        var jobs = new JobStore(fresh, clock);
        var locker = new LockerStore(fresh, clock);
        var yard = new YardStore(locker, new(fresh, clock));
        var desk = new BriefDesk(jobs, locker, yard, new(fresh, clock), people, pins, new(folder), clock);
        var id = jobs.List().First(j => j.Content.Name == Job).Id;
        var crew = Now().SignOff.People.Select(p => p.Name).ToList();
        foreach (var name in crew)
        {
            var now = Now();
            Done(
                desk.Sign(
                    now,
                    new()
                    {
                        Name = name,
                        Pin = Pins.OfDemo,
                        Fingerprint = now.Page.Brief.Fingerprint,
                    }
                )
            );
        }

        var signed = Now();
        Done(
            desk.Issue(
                signed,
                new()
                {
                    Name = crew[0],
                    Pin = Pins.OfDemo,
                    Fingerprint = signed.Page.Brief.Fingerprint,
                }
            )
        );

        BriefAnswer Now() =>
            desk.Of(id, UnitSystem.Metric).Answer
            ?? throw new InvalidOperationException($"The demo job {Job} makes no brief.");
    }

    private static void Done(IReadOnlyList<Problem> problems)
    {
        if (problems.Count > 0)
        {
            throw new InvalidOperationException($"The demo brief is not issued: {problems[0].Message}");
        }
    }
}
