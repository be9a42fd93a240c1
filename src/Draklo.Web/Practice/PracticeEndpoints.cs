using System.Security.Cryptography;
using Draklo.Core.Practice;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;
using Draklo.Web.Sharing;

namespace Draklo.Web.Practice;

/// <summary>An answer to a card.</summary>
public sealed record CardAnswer
{
    public required string Person { get; init; }

    public required PracticeTopic Topic { get; init; }

    public required int Seed { get; init; }

    /// <summary>Of a number, in the unit that the card names.</summary>
    public double? Value { get; init; }

    /// <summary>Of a choice.</summary>
    public int? Index { get; init; }

    /// <summary>Of an order: indices of the choices as they come one after another.</summary>
    public IReadOnlyList<int>? Order { get; init; }
}

/// <param name="RightIndex">Of a choice.</param>
public sealed record CardAnswered(
    Mark Mark,
    string Words,
    IReadOnlyList<string> Workings,
    int? RightIndex,
    PracticeRecord Record
);

/// <summary>Cards of two minutes, and everybody's record.</summary>
internal static class PracticeEndpoints
{
    private const int LongestName = 60;

    public static void MapPractice(this IEndpointRouteBuilder app)
    {
        var bench = app.MapGroup("/api/practice").WithTags("practice");
        bench
            .MapGet("/cards/{topic}", Card)
            .WithName("practiceCard")
            .WithSummary("A card with fresh numbers; with seed the same one again.")
            .Produces<PracticeCard>()
            .ProducesValidationProblem(422);
        bench
            .MapPost("/answers", AnswerAsync)
            .WithName("answerCard")
            .WithSummary("Looks at an answer, says how it comes about, and keeps the mark with the person's record.")
            .Accepts<CardAnswer>("application/json")
            .Produces<CardAnswered>()
            .ProducesValidationProblem(422);
        bench
            .MapGet("/records", (PracticeStore store) => Results.Ok(Records(store)))
            .WithName("practiceRecords")
            .WithSummary("Everybody's record by topic, for whoever gives the roles.")
            .Produces<IReadOnlyList<PracticeRecord>>();
        bench
            .MapGet(
                "/records/{person}",
                (PracticeStore store, string person) => Results.Ok(PracticeRecord.Of(person, store.List(person)))
            )
            .WithName("practiceRecord")
            .WithSummary("One person's record, with what to practise next.")
            .Produces<PracticeRecord>();
    }

    private static IResult Card(string topic, int? seed = null, string? units = null)
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        return Enum.TryParse<PracticeTopic>(topic, ignoreCase: true, out var known) && Enum.IsDefined(known)
            ? Results.Ok(PracticeCards.Make(known, seed ?? RandomNumberGenerator.GetInt32(1, 1_000_000), system).Card)
            : PlainProblems.Refused([new("topic", $"There are no cards about “{topic}”.")]);
    }

    private static async Task<IResult> AnswerAsync(PracticeStore store, HttpRequest request, string? units = null)
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        var (answer, refusal) = await request.ReadAsync<CardAnswer>();
        if (answer is null)
        {
            return refusal!;
        }

        var person = answer.Person.Trim();
        if (person.Length is 0 or > LongestName)
        {
            return PlainProblems.Refused([new("person", "Say who answers: a first name.")]);
        }

        if (Visitor.Of(request.HttpContext).NotAs("person", person) is { } other)
        {
            return PlainProblems.Refused([other]);
        }

        var card = PracticeCards.Make(answer.Topic, answer.Seed, system);
        var (mark, problem) = CardMark.Of(card, answer.Value, answer.Index, answer.Order);
        if (mark is null)
        {
            return PlainProblems.Refused([problem!]);
        }

        store.Add(person, answer.Topic, answer.Seed, mark.Mark);
        return Results.Ok(
            new CardAnswered(
                mark.Mark,
                mark.Words,
                mark.Workings,
                card.Solution.Index,
                PracticeRecord.Of(person, store.List(person))
            )
        );
    }

    private static List<PracticeRecord> Records(PracticeStore store) =>
        [
            .. store
                .List()
                .GroupBy(a => a.Person, StringComparer.Ordinal)
                .OrderBy(g => g.Key, StringComparer.Ordinal)
                .Select(g => PracticeRecord.Of(g.Key, [.. g])),
        ];
}
