using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Text.RegularExpressions;
using Draklo.Core.Units;

namespace Draklo.Core.Reading;

/// <summary>Whether the members of a document lie within what their attributes allow.</summary>
/// <remarks>
/// The same attributes make the JSON Schema and the API description. The checks themselves are written from them while
/// a project is compiled, and call what stands below.
/// </remarks>
public static class MemberRanges
{
    private static readonly ConcurrentDictionary<string, Regex> Patterns = new(StringComparer.Ordinal);
    private static ImmutableArray<Checker> checkers = [];

    /// <summary>The checks of one folder's document parts.</summary>
    /// <returns>False where the part is not one of those.</returns>
    public delegate bool Checker(IDocumentPart document, UnitSystem units, List<Problem> problems);

    /// <summary>Adds a folder's checks, when its project is loaded.</summary>
    public static void Know(Checker checker) =>
        ImmutableInterlocked.Update(ref checkers, static (all, one) => all.Add(one), checker);

    /// <summary>Adds a problem for every member out of its range.</summary>
    /// <param name="document">Its groups and lists are checked too.</param>
    public static void Check(IDocumentPart document, UnitSystem units, List<Problem> problems)
    {
        foreach (var checker in checkers)
        {
            if (checker(document, units, problems))
            {
                return;
            }
        }

        throw new InvalidOperationException($"No ranges were written for {document.GetType()}.");
    }

    /// <summary>A number that may be left out.</summary>
    /// <param name="quantity">What it measures, as in units.json.</param>
    public static void Number(
        double? number,
        string name,
        string label,
        string quantity,
        double low,
        double high,
        UnitSystem units,
        List<Problem> problems
    )
    {
        if (number is { } given && !(given >= low && given <= high))
        {
            problems.Add(
                new(name, $"“{label}” must lie between {Written(low)} and {Written(high)}; it says {Written(given)}.")
            );
        }

        string Written(double value)
        {
            var (unit, si) = MemberFacts.UnitOf(quantity);
            return Figures.With(value * si, unit, units);
        }
    }

    /// <summary>The length of a text.</summary>
    public static void Text(string? text, string name, string label, int longest, List<Problem> problems)
    {
        if (text?.Length > longest)
        {
            problems.Add(new(name, $"{label} is longer than {longest} letters: shorten it."));
        }
    }

    /// <summary>The form of a text: the whole of it is one match, for "$" alone lets a line break stand behind it.</summary>
    /// <param name="fault">What is wrong where it does not match, after the label; an id may leave it out.</param>
    public static void Form(
        string? text,
        string name,
        string label,
        string pattern,
        string? fault,
        List<Problem> problems
    )
    {
        if (text is not null && !(pattern == Ids.Pattern ? Ids.Is(text) : IsOneMatch(pattern, text)))
        {
            problems.Add(new(name, $"{label} {fault ?? Ids.Fault}"));
        }
    }

    /// <summary>How many there are in a list; null where there is no list.</summary>
    public static void Count(int? count, string name, string label, int fewest, int most, List<Problem> problems)
    {
        if (count > most)
        {
            problems.Add(new(name, $"{label}: {most} at most, not {count}."));
        }
        else if (count < fewest)
        {
            problems.Add(new(name, $"{label}: at least {fewest} is needed."));
        }
    }

    /// <summary>Writes where a part stands before the paths of the problems that were found in it.</summary>
    /// <param name="from">The first of them.</param>
    public static void Under(string place, int from, List<Problem> problems)
    {
        for (var i = from; i < problems.Count; i++)
        {
            problems[i] = problems[i] with { Path = $"{place}.{problems[i].Path}" };
        }
    }

    /// <param name="index">The part's number in a list.</param>
    public static void Under(string place, int index, int from, List<Problem> problems) =>
        Under($"{place}[{index}]", from, problems);

    private static bool IsOneMatch(string pattern, string text)
    {
        var regex = Patterns.GetOrAdd(
            pattern,
            static p => new(p, RegexOptions.Compiled | RegexOptions.CultureInvariant, TimeSpan.FromSeconds(1))
        );
        foreach (var match in regex.EnumerateMatches(text))
        {
            return match.Index == 0 && match.Length == text.Length;
        }

        return false;
    }
}
