using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>Figures that nobody has measured, each with who answers for it.</summary>
public static class BriefDoubts
{
    /// <summary>Codes under which somebody takes guesses on.</summary>
    private static readonly string[] OfGuesses = ["guess-matters", "nothing-measured"];

    public static IReadOnlyList<BriefDoubt> Guesses(Plan plan)
    {
        var found = new List<BriefDoubt>();
        foreach (var path in plan.AllGuesses())
        {
            var taken = plan.Accepted.FirstOrDefault(a => a.Path == path && OfGuesses.Contains(a.Code));
            found.Add(new(NameOf(path), taken?.By ?? "", taken?.At ?? "", taken?.Because ?? "", path));
        }

        return found;
    }

    /// <summary>What a member is called where its figure stands alone.</summary>
    public static string NameOf(string path) =>
        (GuessedFigure.Of(path)?.Name ?? MemberNames.Of<Plan>(path).Uncapitalised()).Capitalised();
}
