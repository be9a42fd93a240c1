namespace Draklo.Core.Questions;

/// <summary>Every question that the core answers.</summary>
public static class AllQuestions
{
    /// <summary>In the order in which the API describes them.</summary>
    public static IReadOnlyList<Question> List { get; } =
    [.. PullQuestions.All, .. ClearingQuestions.All, .. DeviceQuestions.All];

    private static readonly Dictionary<string, Question> ByPath = List.ToDictionary(
        q => q.Path,
        StringComparer.Ordinal
    );

    /// <summary>The question that is asked at a path; null where none is.</summary>
    public static Question? At(string path) => ByPath.GetValueOrDefault(path);
}
