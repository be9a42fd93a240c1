namespace Draklo.Core.Practice;

/// <summary>An answer that somebody gave.</summary>
/// <param name="At">When, by the server's clock.</param>
public sealed record PracticeAnswer(string Person, PracticeTopic Topic, int Seed, Mark Mark, string At);

/// <summary>How somebody does at a topic.</summary>
/// <param name="Recent">Share of the last answers that were right, 0 to 1; null before the first.</param>
public sealed record TopicRecord(PracticeTopic Topic, int Answered, double? Recent);

/// <summary>Somebody's own record, with what to practise next.</summary>
public sealed record PracticeRecord(string Person, IReadOnlyList<TopicRecord> Topics, PracticeTopic Next, string Why)
{
    private const int Looked = 5;
    private const double NearCounts = 0.5;

    /// <param name="answers">Of this person, the earliest first.</param>
    public static PracticeRecord Of(string person, IReadOnlyList<PracticeAnswer> answers)
    {
        var topics = Enum.GetValues<PracticeTopic>().Select(t => OfTopic(t, answers)).ToList();
        var next = topics.Find(t => t.Answered == 0) ?? topics.MinBy(t => t.Recent)!;
        return new(
            person,
            topics,
            next.Topic,
            next.Answered == 0 ? "Not tried yet."
                : next.Recent >= 1 ? "All right so far: keep it up."
                : "Least sure of late."
        );
    }

    private static TopicRecord OfTopic(PracticeTopic topic, IReadOnlyList<PracticeAnswer> answers)
    {
        var of = answers.Where(a => a.Topic == topic).ToList();
        return new(
            topic,
            of.Count,
            of.Count == 0
                ? null
                : of.TakeLast(Looked)
                    .Average(a =>
                        a.Mark switch
                        {
                            Mark.Right => 1,
                            Mark.Near => NearCounts,
                            _ => 0,
                        }
                    )
        );
    }
}
