using Draklo.Core.Units;

namespace Draklo.Core.Answers;

/// <summary>Why something is not taken, member by member, in the words that a feller reads.</summary>
/// <param name="Status">As HTTP has it: 422 for members that do not fit, 400 where the text is no JSON at all.</param>
/// <param name="Errors">Sentences by member path.</param>
public sealed record Refused(int Status, string Title, string Detail, IReadOnlyDictionary<string, string[]> Errors)
{
    public static Refused Of(IReadOnlyList<Problem> problems)
    {
        var unreadable = problems is [{ Path: "" }];
        return new(
            unreadable ? 400 : 422,
            unreadable ? "This cannot be read." : "Something here does not fit.",
            problems[0].Message,
            problems
                .GroupBy(p => p.Path, StringComparer.Ordinal)
                .ToDictionary(g => g.Key, g => g.Select(p => p.Message).ToArray(), StringComparer.Ordinal)
        );
    }
}
