using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Draklo.Core.Geometry;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>One figure, place or choice of a plan that a signature stands under.</summary>
/// <remarks>Of <paramref name="Value"/>, <paramref name="Place"/> and <paramref name="Text"/> one is given.</remarks>
/// <param name="Id">Stable: the same figure keeps it when the plan changes.</param>
/// <param name="Name">What it is called in a sentence.</param>
/// <param name="Value">SI, rounded to what the page shows: what nobody can read off it changes nothing.</param>
/// <param name="Unit">As <see cref="Figures.With"/> knows it.</param>
public sealed record Covered(string Id, string Name, double? Value, string? Unit, Place? Place, string? Text)
{
    /// <summary>Of the clearing, under which a signature stands only where the page it was given to had one.</summary>
    public bool Clearing { get; init; }

    private const double PlaceStep = 0.1;
    private const int ShownFigures = 3;
    private const double Nothing = 1e-9;

    public static Covered Figure(string id, string name, double value, string unit) =>
        new(id, name, Shown(value, unit), unit, null, null);

    public static Covered At(string id, string name, Place place) =>
        new(id, name, null, null, new(Step(place.EastM), Step(place.NorthM)), null);

    public static Covered Said(string id, string name, string text) => new(id, name, null, null, null, text);

    /// <summary>As the reader sees it.</summary>
    public string InWords(UnitSystem units) =>
        Value is { } value && Unit is { } unit ? Figures.With(value, unit, units)
        : Place is { } place ? units.Say($"{place.Distance:m} out at {place.BearingDeg:deg}")
        : Text ?? "–";

    /// <summary>The fingerprint of a plan's figures and places: eight letters and digits, the same for the same page.</summary>
    public static string Fingerprint(IEnumerable<Covered> covered)
    {
        var text = new StringBuilder();
        foreach (var one in covered.OrderBy(c => c.Id, StringComparer.Ordinal))
        {
            text.Append(one.Id).Append('=').Append(one.Plainly).Append('\n');
        }

        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text.ToString())))[..8];
    }

    /// <summary>What differs between the page that was signed and the page as it stands.</summary>
    /// <remarks>A clearing that the signed page did not have is no change of what was signed.</remarks>
    public static List<CoveredChange> Changes(IReadOnlyList<Covered> was, IReadOnlyList<Covered> now, UnitSystem units)
    {
        var before = was.ToDictionary(c => c.Id, StringComparer.Ordinal);
        var (clears, knowsAll) = (was.Any(c => c.Clearing), before.ContainsKey(CoveredBy.Scope));
        var changes = new List<CoveredChange>();
        foreach (var one in now.Where(c => clears || !c.Clearing))
        {
            if (!before.Remove(one.Id, out var old))
            {
                // A page of before these were covered says so once.
                if (knowsAll || one.Id == CoveredBy.Scope)
                {
                    changes.Add(new(one.Id, one.Name, null, one.InWords(units)));
                }
            }
            else if (old.Plainly != one.Plainly)
            {
                changes.Add(new(one.Id, one.Name, old.InWords(units), one.InWords(units)));
            }
        }

        if (knowsAll)
        {
            changes.AddRange(
                before.Values.Select(old => new CoveredChange(old.Id, old.Name, old.InWords(units), null))
            );
        }

        return changes;
    }

    /// <summary>Whether a page has a clearing that the page that was signed had not.</summary>
    public static bool LacksClearing(IEnumerable<Covered> was, IEnumerable<Covered> now) =>
        now.Any(c => c.Clearing) && !was.Any(c => c.Clearing);

    private string Plainly =>
        Value is { } value ? value.ToString("R", CultureInfo.InvariantCulture)
        : Place is { } place ? string.Create(CultureInfo.InvariantCulture, $"{place.EastM:R} {place.NorthM:R}")
        : Text ?? "";

    private static double Step(double metres) => Tidy(Math.Round(metres / PlaceStep) * PlaceStep, 1);

    private static double Shown(double value, string unit)
    {
        if (unit == "deg")
        {
            return Tidy(value, 1);
        }

        // What sums leave of nothing differs from one machine to the next.
        if (Math.Abs(value) < Nothing || !double.IsFinite(value))
        {
            return 0;
        }

        var places = ShownFigures - 1 - (int)Math.Floor(Math.Log10(Math.Abs(value)));
        if (places >= 0)
        {
            return Tidy(value, Math.Min(places, 12));
        }

        var step = Math.Pow(10, -places);
        return Tidy(Math.Round(value / step) * step, 0);
    }

    /// <summary>Rounded, and never the zero that has a sign.</summary>
    private static double Tidy(double value, int places) => Math.Round(value, places) + 0.0;
}

/// <param name="Was">Null for what the signed page did not hold.</param>
/// <param name="Is">Null for what the page no longer holds.</param>
public sealed record CoveredChange(string Id, string Name, string? Was, string? Is);
