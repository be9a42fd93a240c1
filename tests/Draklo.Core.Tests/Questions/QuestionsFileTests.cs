using System.Globalization;
using System.Text;
using System.Text.Json;
using Draklo.Core.Questions;

namespace Draklo.Core.Tests.Questions;

/// <summary>The front end asks by the core's own entries: its table is written from them, and an old one fails here.</summary>
public sealed class QuestionsFileTests
{
    private const string Head = """
        // Written from the core's entries (src/Draklo.Core/Questions). A test fails while this is old;
        // DRAKLO_WRITE=1 ./check core writes it again.

        /** Every question of the core: where it is asked, whether it takes long (or by which value above 0), and what is usual. */
        export const questions = {

        """;

    [Fact]
    public void The_front_end_s_table_is_the_core_s() =>
        WrittenFile.Holds(["web", "src", "api", "questions.ts"], Written());

    private static string Written()
    {
        var text = new StringBuilder(Head);
        foreach (var question in AllQuestions.List)
        {
            var heavy = question.HeavyAbove is { } above
                ? $"\"{above.Name}\""
                : JsonSerializer.Serialize(question.Weight != Weight.Light);
            text.Append(CultureInfo.InvariantCulture, $"  {question.Name}: {{\n    path: \"{question.Path}\",\n")
                .Append(CultureInfo.InvariantCulture, $"    heavy: {heavy},\n    usual: {{ ")
                .AppendJoin(
                    ", ",
                    question.Parameters.Select(p => $"{p.Name}: {JsonSerializer.Serialize(p.UsualValue)}")
                )
                .Append(" },\n  },\n");
        }

        return text.Append("} as const;\n\nexport type QuestionName = keyof typeof questions;\n").ToString();
    }
}
