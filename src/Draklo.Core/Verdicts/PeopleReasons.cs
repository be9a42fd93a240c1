using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Where the crew stands, by name.</summary>
/// <remarks>
/// Method M17: everybody goes by the same rule but the faller and one helper at the stump. Under the fall and beside the
/// stump nobody stands, whoever accepts it; elsewhere a shelter or an acceptance with its reason answers it.
/// </remarks>
internal static class PeopleReasons
{
    public static void Add(Findings findings, ReasonList reasons)
    {
        AddHaulers(findings, reasons);
        AddHelpers(findings, reasons);
        var near = new List<string>();
        foreach (var person in findings.Site.People)
        {
            var crew = findings.Plan.Crew[person.Index];
            if (person.Role == JobRole.Faller || crew == PersonOnSite.HelperOf(findings.Plan))
            {
                AddAtStump(person, reasons);
                continue;
            }

            // Who stands where the line's haulers stand is checked with the line.
            var withLine =
                PersonOnSite.Hauls(person.Role)
                && (!person.Given || PersonOnSite.LineOf(findings.Site, crew).Crew == person.Place);
            if (!withLine)
            {
                var who = new Who(person.Name, One: true, $"crew[{person.Index}].place", "person", person.DistanceM);
                Judge(findings, reasons, who, person.In, person.Place, crew.Shelter);
            }

            if (person.In == PersonDanger.Reach && !PersonOnSite.Hauls(person.Role))
            {
                near.Add(person.Name);
            }
        }

        if (near.Count > 0)
        {
            reasons.Remark(
                "people-needed-near",
                $"{string.Join(", ", near)} {(near.Count == 1 ? "stands" : "stand")} within two heights, {findings.Site.ReachM:m}, during cutting: only who is needed there, with the eyes on the top.",
                null,
                ("reachM", findings.Site.ReachM)
            );
        }
    }

    /// <param name="One">One person, or several.</param>
    /// <param name="Code">person or crew: how the codes begin.</param>
    private readonly record struct Who(string Name, bool One, string Path, string Code, double DistanceM)
    {
        public string Stand => One ? "stands" : "stand";
    }

    private static void AddHaulers(Findings findings, ReasonList reasons)
    {
        for (var i = 0; i < findings.Site.Lines.Count; i++)
        {
            var line = findings.Site.Lines[i];
            var kind = findings.Plan.Lines[i].Puller.Kind;
            var name = kind switch
            {
                PullerKind.People => $"The haulers of the {line.Id} line",
                PullerKind.HandWinch => $"Who works the winch of the {line.Id} line",
                PullerKind.Vehicle => $"The driver of the {line.Id} line",
                PullerKind.Machine => $"Who works the machine of the {line.Id} line",
            };
            // Where somebody is named for it, their row says where they stand and behind what.
            var named = PersonOnSite.FirstHauler(findings.Plan, findings.Plan.Lines[i]) is { } first
                ? findings.Plan.Crew.ToList().IndexOf(first)
                : -1;
            var path =
                named >= 0 ? $"crew[{named}].shelter"
                : kind == PullerKind.People || findings.Plan.Lines[i].Puller.Place is not null
                    ? $"lines[{i}].puller.place"
                : "crew";
            var who = new Who(name, kind != PullerKind.People, path, "crew", line.Crew.Distance);
            Judge(findings, reasons, who, line.CrewIn, line.Crew, line.CrewShelter);
        }
    }

    private static void Judge(
        Findings findings,
        ReasonList reasons,
        Who who,
        PersonDanger danger,
        Geometry.Place place,
        string? shelter
    )
    {
        switch (danger)
        {
            case PersonDanger.Footprint:
                reasons.Stop(
                    $"{who.Code}-under-fall",
                    $"{who.Name} {who.Stand} where the tree may fall, {who.DistanceM:m} out: move them aside.",
                    who.Path,
                    null,
                    ("distanceM", who.DistanceM)
                );
                break;
            case PersonDanger.AtStump:
                reasons.Stop(
                    $"{who.Code}-at-stump",
                    $"{who.Name} {who.Stand} {who.DistanceM:m} from the stump, nearer than half the height: move them out.",
                    who.Path,
                    null,
                    ("distanceM", who.DistanceM)
                );
                break;
            case PersonDanger.Band or PersonDanger.Turn when string.IsNullOrWhiteSpace(shelter):
                reasons.Check(
                    $"{who.Code}-in-snap-back",
                    $"{who.Name} {who.Stand} {(danger == PersonDanger.Band ? "where a line flies if it parts" : "inside a turn of a loaded line")}: move them out of it, lead the hauling end over a redirect, or name the shelter.",
                    who.Path
                );
                break;
            case PersonDanger.Near when string.IsNullOrWhiteSpace(shelter):
                var least = PersonOnSite.LeastM(place, findings.Plan);
                reasons.Check(
                    $"{who.Code}-too-near",
                    $"{who.Name} {who.Stand} {who.DistanceM:m} from the stump, nearer than the {least:m+} there: move them out, or name the shelter.",
                    who.Path,
                    null,
                    ("distanceM", who.DistanceM),
                    ("leastM", least)
                );
                break;
            case PersonDanger.None or PersonDanger.Reach or PersonDanger.Near or PersonDanger.Band or PersonDanger.Turn:
                break;
        }
    }

    /// <summary>Of who works at the stump: whether the way out ends where something strikes.</summary>
    private static void AddAtStump(PersonOnSite person, ReasonList reasons)
    {
        if (person.Role == JobRole.Faller && person.In > PersonDanger.Near)
        {
            reasons.Check(
                "way-out-ends-badly",
                $"{person.Name} would end where {(person.In == PersonDanger.Footprint ? "the tree may fall" : "a line flies if it parts")}: lead the escape route farther back and aside.",
                $"crew[{person.Index}].place"
            );
        }
    }

    /// <summary>One helper stands at the stump, with an escape route of their own.</summary>
    private static void AddHelpers(Findings findings, ReasonList reasons)
    {
        var helpers = findings.Plan.Crew.Count(c => c.HelpsAtStump);
        if (helpers > 1)
        {
            reasons.Stop(
                "helpers-at-stump",
                $"{Sentences.Count(helpers).Capitalised()} people help at the stump: one at most stands there with the faller.",
                "crew"
            );
        }
        else if (helpers == 1 && findings.Site.Retreats.Count(r => r.IsOpen) < 2)
        {
            reasons.Stop(
                "helper-without-way-out",
                "Whoever helps at the stump needs an escape route of their own: clear a second one, or send them out.",
                "site.escapeRoutes"
            );
        }
    }
}
