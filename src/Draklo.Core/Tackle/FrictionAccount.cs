using System.Text.Json.Serialization;

namespace Draklo.Core.Tackle;

/// <summary>One contact and what it costs.</summary>
/// <param name="Rope">Index of the rope.</param>
/// <param name="Contact">Index of the contact along it.</param>
/// <param name="Incoming">Tension that comes to it, for a hand force of 1.</param>
/// <param name="Outgoing">Tension that goes on.</param>
/// <param name="Costs">What it takes from the advantage.</param>
public sealed record ContactCost(
    int Rope,
    int Contact,
    string Point,
    double Efficiency,
    [property: JsonPropertyName("comes")] double Incoming,
    [property: JsonPropertyName("goes")] double Outgoing,
    double Costs
);

/// <summary>Where the difference between ideal and actual advantage went, contact by contact.</summary>
/// <remarks>
/// Method M7. Friction is put back one contact after the other, in the order in which the ropes are followed from the
/// hand; each drop of the advantage is that contact's, and together they make up the whole difference.
/// </remarks>
public static class FrictionAccount
{
    public static IReadOnlyList<ContactCost> Of(Arrangement arrangement, TackleSolution solved)
    {
        var smooth = arrangement
            .Ropes.Select(r => r.Contacts.Select(c => c.Efficiency is null ? c : c with { Efficiency = 1 }).ToArray())
            .ToArray();
        var advantage = solved.IdealAdvantage;
        var found = new List<ContactCost>();
        var leg = 0;
        for (var r = 0; r < smooth.Length; r++)
        {
            for (var c = 0; c < smooth[r].Length; c++, leg++)
            {
                var contact = arrangement.Ropes[r].Contacts[c];
                if (contact.Efficiency is not { } share)
                {
                    continue;
                }

                smooth[r][c] = contact;
                var (next, problems) = TackleSolver.Solve(
                    arrangement with
                    {
                        Ropes = [.. arrangement.Ropes.Select((rope, i) => rope with { Contacts = smooth[i] })],
                    }
                );
                var now =
                    next?.ActualAdvantage ?? throw new ArgumentException(problems[0].Message, nameof(arrangement));
                found.Add(
                    new(
                        r,
                        c,
                        contact.Point,
                        share,
                        solved.Legs[leg].Tension,
                        solved.Legs[leg].Tension * share,
                        advantage - now
                    )
                );
                advantage = now;
            }
        }

        return found;
    }
}
