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
            issued.Count > 0 && briefs.Page(job.Id, issued[^1].Number) is { } page ? CoveredBy(page) ?? [] : [],
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

        if (PinProblem(now, signer, PinOf(now, signer, asked)) is { } wrong)
        {
            return [wrong];
        }

        briefs.Sign(
            now.JobId,
            (number, keptAt, before) =>
            {
                var at = SaidAt(keptAt, asked.AgoS);
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
                    ClockBack = before is not null && asked.AgoS is null && Signature.IsEarlier(at, before.At),
                };
            }
        );
        return [];
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

        if (PinProblem(now, name, PinOf(now, name, asked)) is { } wrong)
        {
            return [wrong];
        }

        var page = JsonSerializer.Serialize(now.Page, DocumentReader.Options);
        briefs.Issue(now.JobId, now.Revision, name, now.Page.Brief.Fingerprint, _ => page);
        return [];
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

    private static bool IsLead(BriefAnswer now, string name) =>
        now.SignOff.People.Any(p => p.Name == name && p.Role == JobRole.Lead)
        || (
            // Where nobody leads, the faller does.
            now.SignOff.People.All(p => p.Role != JobRole.Lead)
            && now.SignOff.People.Any(p => p.Name == name && p.Role == JobRole.Faller)
        );

    /// <summary>What was given as a PIN; one sealed for something else does not count.</summary>
    private string PinOf(BriefAnswer now, string signer, GivenDocument given) =>
        given.SealedPin is null
            ? given.Pin
            : seal.Open(given.SealedPin, now.JobId, signer, now.Page.Brief.Fingerprint) ?? "";

    private static string SaidAt(string keptAt, double? agoS) =>
        agoS is { } ago && DateTimeOffset.TryParse(keptAt, CultureInfo.InvariantCulture, out var kept)
            ? (kept - TimeSpan.FromSeconds(ago)).ToString("O")
            : keptAt;

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
        var book = people.List();
        return book.FirstOrDefault(p => p.Id == member.PersonId)?.Id
            ?? (member.PersonId is null ? book.FirstOrDefault(p => p.Name == member.Name.Trim())?.Id : null);
    }

    private string LocalTime(string at) => SentTime.Local(at, clock.GetLocalNow().Offset);
}
