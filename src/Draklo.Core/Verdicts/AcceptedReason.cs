using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>A check that somebody took on by name.</summary>
/// <param name="By">Who.</param>
/// <param name="At">When, with its offset.</param>
/// <param name="Because">Why.</param>
public sealed record AcceptedReason(Reason Reason, string By, string At, string Because)
{
    /// <summary>A figure that has moved by more, as a share, is another figure.</summary>
    private const double Moved = 0.02;

    /// <summary>
    /// Takes the accepted checks out of the reasons. A stop is never accepted, and a check whose figures have moved since
    /// stands again.
    /// </summary>
    internal static List<Reason> TakeOut(
        IReadOnlyList<AcceptedMembers> accepted,
        ReasonList reasons,
        List<AcceptedReason> taken
    )
    {
        var open = new List<Reason>(reasons.List);
        for (var i = 0; i < accepted.Count; i++)
        {
            var entry = accepted[i];
            var at = open.FindIndex(r => r.Code == entry.Code && (r.Path ?? "") == (entry.Path ?? ""));
            if (at < 0)
            {
                continue;
            }

            var reason = open[at];
            if (reason.Acceptable && StillSays(reason, entry.Values))
            {
                taken.Add(new(reason, entry.By, entry.At, entry.Because));
                open.RemoveAt(at);
            }
            else if (reason.State != VerdictState.Ready)
            {
                var lapsed = new ReasonList(reasons.Units);
                lapsed.Remark(
                    "acceptance-lapsed",
                    reason.Acceptable
                        ? $"{entry.By} accepted a check whose figures have changed since: it stands again."
                        : $"{entry.By} accepted what nobody can accept: it stands.",
                    entry.Path
                );
                open.AddRange(lapsed.List);
            }
        }

        return open;
    }

    /// <summary>Whether a reason says what it said when it was accepted; one that names no figures says the same as long as it stands.</summary>
    private static bool StillSays(Reason reason, IReadOnlyDictionary<string, double>? then)
    {
        foreach (var (name, now) in reason.Values)
        {
            // What it rested on was not written down: nobody can say that it is still the same.
            if (
                then is null
                || !then.TryGetValue(name, out var value)
                || Math.Abs(now - value) > (Moved * Math.Max(Math.Abs(now), Math.Abs(value))) + 1e-9
            )
            {
                return false;
            }
        }

        return true;
    }
}
