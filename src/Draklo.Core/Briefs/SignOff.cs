using System.Globalization;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>A name under a page.</summary>
public sealed record Signature
{
    public required long Number { get; init; }

    public required string Name { get; init; }

    /// <summary>Who that is in the crew's book; null for somebody who is not in it, and in what was kept before.</summary>
    public string? PersonId { get; init; }

    public required string Role { get; init; }

    public required string At { get; init; }

    /// <summary>"own-pin": with the person's own; "by-lead": the lead signed for them.</summary>
    public required string Way { get; init; }

    /// <summary>Who signed for them; the same name for an own PIN.</summary>
    public required string EnteredBy { get; init; }

    /// <summary>Of the page that was signed.</summary>
    public required string Fingerprint { get; init; }

    /// <summary>What it stood under.</summary>
    public required IReadOnlyList<Covered> Covered { get; init; }

    /// <summary>The clock stood earlier than at the signature before it.</summary>
    public required bool ClockBack { get; init; }

    /// <summary>It came in with an archive: a record, under no page here.</summary>
    public bool FromArchive { get; init; }

    /// <summary>Whether one time is before another, both as signatures have them.</summary>
    public static bool IsEarlier(string at, string than) =>
        DateTimeOffset.Parse(at, CultureInfo.InvariantCulture)
        < DateTimeOffset.Parse(than, CultureInfo.InvariantCulture);
}

/// <summary>How somebody of the crew stands to the page as it is now.</summary>
/// <param name="HasSigned">Whether their name is under it: nothing that they signed for has moved.</param>
/// <param name="Last">Their latest signature, void or not; null without one.</param>
/// <param name="Changes">What moved since they signed; empty for one that stands.</param>
public sealed record SignedPerson(
    string Name,
    JobRole Role,
    bool HasSigned,
    Signature? Last,
    IReadOnlyList<CoveredChange> Changes
)
{
    /// <summary>A clearing was added to what they signed: their name stands under the pull and not under that.</summary>
    public bool LacksClearing { get; init; }
}

/// <summary>Something that keeps the brief from being issued.</summary>
/// <param name="Kind">"nobody", "unsigned", "check", "guess" or "gear".</param>
/// <param name="Path">The member to look at, when one is to blame.</param>
public sealed record BriefHold(string Kind, string Text, string? Path);

/// <summary>Whether the brief may be issued, and what holds it.</summary>
/// <param name="People">Everybody on the job, in the plan's order.</param>
/// <param name="MayIssue">Nothing holds it.</param>
public sealed record SignOff(IReadOnlyList<SignedPerson> People, IReadOnlyList<BriefHold> Holds, bool MayIssue)
{
    /// <param name="signatures">All that were made on this job, the earliest first.</param>
    public static SignOff Of(Plan plan, Brief brief, IReadOnlyList<Signature> signatures, UnitSystem units)
    {
        var people = plan
            .Crew.Select(person =>
            {
                var last = signatures.LastOrDefault(s => IsOf(s, person));
                var same = last?.Fingerprint == brief.Fingerprint;
                var changes =
                    last is null or { FromArchive: true } || same
                        ? []
                        : Covered.Changes(last.Covered, brief.Covered, units);
                var stands = last is { FromArchive: false } && changes.Count == 0;
                return new SignedPerson(person.Name.Trim(), person.Role, stands, last, changes)
                {
                    LacksClearing = stands && Covered.LacksClearing(last!.Covered, brief.Covered),
                };
            })
            .ToList();
        var holds = HoldsOf(brief, people);
        return new(people, holds, holds.Count == 0);
    }

    /// <summary>By the crew's book where both know it, so that a name set right stays the same person's.</summary>
    private static bool IsOf(Signature signature, CrewMembers person) =>
        signature.PersonId is { } signer && person.PersonId is { } known
            ? signer == known
            : signature.Name == person.Name.Trim();

    private static List<BriefHold> HoldsOf(Brief brief, List<SignedPerson> people)
    {
        var holds = new List<BriefHold>();
        if (people.Count == 0)
        {
            holds.Add(new("nobody", "Nobody is named on this job: say who does what.", "crew"));
        }
        else if (people.TrueForAll(p => p.Role != JobRole.Faller))
        {
            holds.Add(new("nobody", "Nobody is named as faller.", "crew"));
        }

        holds.AddRange(brief.OpenChecks.Select(c => new BriefHold("check", c.Text, c.Path)));
        foreach (var guess in brief.Guesses.Where(g => g.By.Length == 0))
        {
            holds.Add(
                new(
                    "guess",
                    $"{guess.Text} is a guess and nobody's name stands to it: measure it, confirm it, or let somebody take it on by name.",
                    guess.Path
                )
            );
        }

        holds.AddRange(
            brief
                .Gear.Where(p => p.Trouble.Length > 0)
                .Select(p => new BriefHold("gear", $"{p.Name}: {p.Trouble}.", null))
        );
        var unsigned = people.Where(p => !p.HasSigned).Select(p => p.Name).ToList();
        if (unsigned.Count > 0)
        {
            holds.Add(
                new(
                    "unsigned",
                    $"{string.Join(", ", unsigned)} {(unsigned.Count == 1 ? "has" : "have")} not signed this page.",
                    null
                )
            );
        }

        return holds;
    }
}
