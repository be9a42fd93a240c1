using Draklo.Core.Questions;
using Draklo.Core.Units;

namespace Draklo.Web.Hosting;

/// <summary>The core's questions, each at its own path; nothing is kept.</summary>
internal static class QuestionEndpoints
{
    private static readonly Answers Received = new();

    public static void MapQuestions(this IEndpointRouteBuilder app)
    {
        foreach (var question in AllQuestions.List.Where(q => !q.IsOfDevice))
        {
            app.MapPost(
                    question.Path,
                    (HttpContext http, ServerAtHand atHand, HeavyWork heavy) =>
                        AnswerAsync(question, http, atHand, heavy)
                )
                .WithName(question.Name)
                .WithTags(question.Tag)
                .WithSummary(question.Summary)
                .WithDescription(question.Description)
                .WithMetadata(question)
                .Accepts(question.Document, "application/json")
                .Produces(StatusCodes.Status200OK, question.Answer)
                .ProducesValidationProblem(StatusCodes.Status400BadRequest)
                .ProducesValidationProblem(StatusCodes.Status422UnprocessableEntity)
                .ProducesProblem(StatusCodes.Status413PayloadTooLarge);
        }
    }

    private static async Task<IResult> AnswerAsync(
        Question question,
        HttpContext http,
        ServerAtHand atHand,
        HeavyWork heavy
    )
    {
        var (request, left) = (http.Request, http.RequestAborted);
        var (asked, problems) = Asked.Of(
            question,
            name => request.Query.TryGetValue(name, out var values) ? values.ToString() : null,
            atHand,
            left
        );
        if (asked is null)
        {
            return PlainProblems.Refused(problems);
        }

        // The server stops a body past its limit while it is being copied.
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, left);
        var bytes = body.GetBuffer().AsMemory(0, (int)body.Length);
        return question.IsHeavy(asked)
            ? await heavy.RunAsync(
                request.Client(),
                () => question.Ask(bytes, asked, Received),
                left,
                question.Weight == Weight.Search
            )
            : question.Ask(bytes, asked, Received);
    }

    private sealed class Answers : IAnswered<IResult>
    {
        /// <inheritdoc/>
        public IResult Take<T>(T? answer, IReadOnlyList<Problem> problems)
            where T : class => answer is null ? PlainProblems.Refused(problems) : new SizedAnswer<T>(answer);
    }
}
