using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Analyses;
using Draklo.Core.Briefs;
using Draklo.Core.Clearing;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Crew;

namespace Draklo.Web.Briefs;

/// <summary>Makes a job's brief from its plan, takes signatures and issues it.</summary>
internal sealed class BriefDesk(
    JobStore jobs,
    LockerStore locker,
    YardStore yard,
    BriefStore briefs,
    PersonStore people,
    Pins pins,
    PinSeal seal,
    TimeProvider clock
)
{
    /// <summary>The brief as it stands; problems where the plan cannot be computed; neither when there is no such job.</summary>
    public (BriefAnswer? Answer, IReadOnlyList<Problem> Problems) Of(string id, UnitSystem units) =>
        jobs.Find(id) is { } job
            ? BriefAnswer.Of(
                KeptOf(job),
                PapersOf(job),
                locker.List().ToDictionary(k => k.Item.Id, k => k.Item, StringComparer.Ordinal),
                yard.Of(units),
                units
            )
            : (null, []);

    public static KeptJob KeptOf(Job job)
    {
        var content = job.Content;
        return new(job.Id, job.Revision, content.Name, content.Place, content.PlannedOn, content.Plan);
    }

    /// <summary>What is kept of a job beside its plan.</summary>
    public JobPapers PapersOf(Job job)
    {
        var issued = briefs.Issued(job.Id);
        return new(
            briefs.Signatures(job.Id),
            issued,
            issued.LastOrDefault(i => !i.FromArchive) is { } last && briefs.Page(job.Id, last.Number) is { } page
                ? CoveredBy(page) ?? []
                : [],
            [.. job.Content.Plan.Crew.Where(c => IdOf(c) is { } known && pins.Has(known)).Select(c => c.Name.Trim())],
            briefs.Ticks(job.Id)
        );
    }

    /// <summary>A page as it was issued, the very text that was kept; null without one.</summary>
    public (IssuedBrief Issued, string Page)? Issued(string id, long number) =>
        briefs.Page(id, number) is { } text && briefs.Issued(id).FirstOrDefault(b => b.Number == number) is { } issued
            ? (issued, text)
            : null;

    /// <summary>Puts a name under the page.</summary>
    public IReadOnlyList<Problem> Sign(BriefAnswer now, SignDocument asked)
    {
        var name = asked.Name.Trim();
        if (now.SignOff.People.FirstOrDefault(p => p.Name == name) is not { } person)
        {
            return [new("name", $"{name} is not on this job: put them on it first.")];
        }

        if (Moved(now, asked.Fingerprint) is { } moved)
        {
            return [moved];
        }

        if (person is { HasSigned: true, LacksClearing: false, Last: { } last })
        {
            // A tablet sends again what it does not know to be kept.
            return asked.SealedPin is not null
                ? []
                : [new("name", $"{name} has signed this page already, at {LocalTime(last.At)}.")];
        }

        var byLead = !string.IsNullOrWhiteSpace(asked.Lead) && asked.Lead.Trim() != name;
        var signer = byLead ? asked.Lead!.Trim() : name;
        if (byLead && !IsLead(now, signer))
        {
            return [new("lead", $"{signer} is not the lead of this job: only the lead signs for others.")];
        }

        if (PinProblem(now, signer, PinOf(now, ("sign", signer, name), asked)) is { } wrong)
        {
            return [wrong];
        }

        var kept = briefs.Sign(
            now.JobId,
            asked.SealedPin,
            (number, keptAt, before) =>
            {
                // Asked twice at the same moment, it is one signature.
                if (before.LastOrDefault(s => s.Name == name) is { } own && own.Number != person.Last?.Number)
                {
                    return null;
                }

                var at = SaidAt(now.JobId, keptAt, asked.AgoS);
                return new()
                {
                    Number = number,
                    Name = name,
                    PersonId = PersonIdOf(now, name),
                    Role = $"{person.Role}".ToLowerInvariant(),
                    At = at,
                    Way = byLead ? "by-lead" : "own-pin",
                    EnteredBy = signer,
                    Fingerprint = now.Page.Brief.Fingerprint,
                    Covered = now.Page.Brief.Covered,
                    ClockBack = before.Count > 0 && asked.AgoS is null && Signature.IsEarlier(at, before[^1].At),
                };
            }
        );
        return kept ? [] : [UsedSeal];
    }

    /// <summary>Keeps the page as issued, when nothing holds it.</summary>
    public IReadOnlyList<Problem> Issue(BriefAnswer now, IssueDocument asked)
    {
        var name = asked.Name.Trim();
        if (Moved(now, asked.Fingerprint) is { } moved)
        {
            return [moved];
        }

        if (!IsLead(now, name))
        {
            return [new("name", $"{name} is not the lead of this job: the lead issues the brief.")];
        }

        if (now is { State: BriefState.Issued, LacksClearing: false })
        {
            return asked.SealedPin is not null
                ? []
                : [new("fingerprint", $"This page is issued already, as brief {now.Number}.")];
        }

        if (now.SignOff.People.FirstOrDefault(p => p.LacksClearing) is { } pullOnly)
        {
            return
            [
                new("fingerprint", $"Not issued: {pullOnly.Name} has signed for the pull and not for the clearing."),
            ];
        }

        if (now.SignOff.Holds is [{ Text: var first }, ..])
        {
            return [new("fingerprint", $"Not issued: {first}")];
        }

        if (PinProblem(now, name, PinOf(now, ("issue", name, name), asked)) is { } wrong)
        {
            return [wrong];
        }

        var page = JsonSerializer.Serialize(now.Page, DocumentReader.Options);
        var kept = briefs.Issue(
            now.JobId,
            now.Issued.Count,
            asked.SealedPin,
            now.Revision,
            name,
            now.Page.Brief.Fingerprint,
            _ => page
        );
        return kept ? [] : [UsedSeal];
    }

    /// <summary>What a kept page covers; null for a text that is no page.</summary>
    public static IReadOnlyList<Covered>? CoveredBy(string page)
    {
        try
        {
            return JsonNode.Parse(page)?["brief"]?["covered"].Deserialize<List<Covered>>(DocumentReader.Options);
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException)
        {
            return null;
        }
    }

    private static Problem? Moved(BriefAnswer now, string fingerprint) =>
        fingerprint == now.Page.Brief.Fingerprint
            ? null
            : new("fingerprint", "The plan changed while you read: look at the page again before you sign it.");

    private static Problem UsedSeal => new("pin", "This PIN was given for another signature: give it again.");

    /// <summary>The plan says who leads this job; whether somebody leads at all, the crew's book says.</summary>
    private bool IsLead(BriefAnswer now, string name) => LeadsByPlan(now, name) && LeadsByBook(now, name);

    /// <summary>Of somebody who is not in the book, or without a role in it, only the plan says anything.</summary>
    private bool LeadsByBook(BriefAnswer now, string name)
    {
        var known = PersonIdOf(now, name);
        var roles = people.List().FirstOrDefault(p => p.Id == known)?.Roles ?? [];
        var asked = now.SignOff.People.First(p => p.Name == name).Role;
        return roles.Count == 0 || roles.Contains(JobRole.Lead) || (asked == JobRole.Faller && roles.Contains(asked));
    }

    private static bool LeadsByPlan(BriefAnswer now, string name) =>
        now.SignOff.People.Any(p => p.Name == name && p.Role == JobRole.Lead)
        || (
            // Where nobody leads, the faller does.
            now.SignOff.People.All(p => p.Role != JobRole.Lead)
            && now.SignOff.People.Any(p => p.Name == name && p.Role == JobRole.Faller)
        );

    /// <summary>What was given as a PIN; one sealed for something else does not count.</summary>
    private string PinOf(BriefAnswer now, (string Act, string Signer, string For) act, GivenDocument given) =>
        given.SealedPin is null
            ? given.Pin
            : seal.Open(given.SealedPin, new(now.JobId, act.Act, act.Signer, act.For, now.Page.Brief.Fingerprint))
                ?? "";

    /// <summary>When it was given, by the tablet's word; no earlier than the page was kept that it stands under.</summary>
    private string SaidAt(string jobId, string keptAt, double? agoS)
    {
        if (agoS is not { } ago || !DateTimeOffset.TryParse(keptAt, CultureInfo.InvariantCulture, out var kept))
        {
            return keptAt;
        }

        var (said, saved) = (kept - TimeSpan.FromSeconds(ago), jobs.Find(jobId)?.SavedAt ?? kept);
        return (said < saved ? saved : said).ToString("O");
    }

    private Problem? PinProblem(BriefAnswer now, string name, string pin)
    {
        if (PersonIdOf(now, name) is not { } known)
        {
            return new("pin", $"{name} is not in the crew's book and has no PIN: let the lead sign for them.");
        }

        return pins.Refusal(known, name, pin) is { } wrong ? new("pin", wrong) : null;
    }

    private string? PersonIdOf(BriefAnswer now, string name) =>
        IdOf(now.Page.Plan.Crew.First(c => c.Name.Trim() == name));

    /// <summary>Who somebody on a job is in the crew's book; null for nobody.</summary>
    private string? IdOf(CrewMembers member)
    {
        // By name, and by id where the plan has one: a plan decides nobody's identity.
        var named = people.List().Where(p => p.Name.Trim() == member.Name.Trim());
        return named.FirstOrDefault(p => member.PersonId is null || p.Id == member.PersonId)?.Id;
    }

    private string LocalTime(string at) => SentTime.Local(at, clock.GetLocalNow().Offset);
}
