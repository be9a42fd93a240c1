using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Where the crew stands, by name.</summary>
/// <remarks>Method M17.</remarks>
internal static class PeopleReasons
{
    public static void Add(Findings findings, ReasonList reasons)
    {
        var near = new List<string>();
        foreach (var person in findings.Site.People)
        {
            var path = $"crew[{person.Index}].place";
            // Who stands where the line's haulers stand is checked with the line.
            var theLines =
                PersonOnSite.Hauls(person.Role)
                && (
                    !person.Given
                    || PersonOnSite.LineOf(findings.Site, findings.Plan.Crew[person.Index]).Crew == person.Place
                );
            switch (person.In)
            {
                case PersonDanger.Footprint when !theLines:
                    reasons.Stop(
                        "person-under-fall",
                        $"{person.Name} stands where the tree falls, {person.DistanceM:m} out: move them aside.",
                        path,
                        null,
                        ("distanceM", person.DistanceM)
                    );
                    break;
                case PersonDanger.Band or PersonDanger.Turn when !theLines:
                    reasons.Check(
                        "person-in-snap-back",
                        $"{person.Name} stands {(person.In == PersonDanger.Band ? "where a line flies if it parts" : "inside a turn of a loaded line")}: move them out of it.",
                        path
                    );
                    break;
                case PersonDanger.Sector when !theLines:
                    reasons.Check(
                        "person-in-drop-sector",
                        $"{person.Name} stands in the drop sector, {person.DistanceM:m} out: nobody but the faller goes within 45° of the lay nearer than {findings.Site.SectorM:m}.",
                        path,
                        null,
                        ("distanceM", person.DistanceM),
                        ("leastM", findings.Site.SectorM)
                    );
                    break;
                case PersonDanger.Reach when person.Role is not (JobRole.Faller or JobRole.Hauler or JobRole.Machine):
                    near.Add(person.Name);
                    break;
                default:
                    break;
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
}
