using Dapper;
using Draklo.Core.Practice;

namespace Draklo.Store;

/// <summary>Answers that people gave at the practice bench.</summary>
public sealed class PracticeStore(Database database, TimeProvider clock)
{
    public PracticeAnswer Add(string person, PracticeTopic topic, int seed, Mark mark) =>
        database.Write(
            (connection, transaction) =>
            {
                var answer = new PracticeAnswer(person, topic, seed, mark, clock.GetUtcNow().ToString("O"));
                connection.Execute(
                    "insert into practice_answer (at, person, topic, seed, mark) values (@At, @Person, @topic, @Seed, @mark)",
                    new
                    {
                        answer.At,
                        answer.Person,
                        topic = $"{topic}",
                        answer.Seed,
                        mark = $"{mark}",
                    },
                    transaction
                );
                return answer;
            },
            ofJobs: true
        );

    /// <summary>Everything that was answered, by person, the earliest first.</summary>
    /// <param name="person">Null for everybody.</param>
    public IReadOnlyList<PracticeAnswer> List(string? person = null)
    {
        using var connection = database.Connect();
        return
        [
            .. connection
                .Query<(string At, string Person, string Topic, long Seed, string Mark)>(
                    "select at, person, topic, seed, mark from practice_answer where @person is null or person = @person order by number",
                    new { person }
                )
                .Where(r => Enum.TryParse<PracticeTopic>(r.Topic, out _) && Enum.TryParse<Mark>(r.Mark, out _))
                .Select(r => new PracticeAnswer(
                    r.Person,
                    Enum.Parse<PracticeTopic>(r.Topic),
                    (int)r.Seed,
                    Enum.Parse<Mark>(r.Mark),
                    r.At
                )),
        ];
    }
}
