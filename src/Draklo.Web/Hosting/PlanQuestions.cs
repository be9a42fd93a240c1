using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Web.Hosting;

/// <summary>Questions about a plan that comes with the request; nothing is kept.</summary>
internal static class PlanQuestions
{
    /// <summary>Reads a plan and answers what is made of it, or why nothing is.</summary>
    /// <param name="heavy">Where it takes its turn, when it takes long.</param>
    public static async Task<IResult> AnswerAsync<T>(
        HttpRequest request,
        string? units,
        Func<Plan, UnitSystem, (T? Made, List<Problem> Problems)> make,
        HeavyWork? heavy = null
    )
        where T : class
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        var (plan, refusal) = await request.ReadAsync<Plan>();
        if (plan is null)
        {
            return refusal!;
        }

        var (made, problems) = heavy is null
            ? make(plan, system)
            : await heavy.RunAsync(request.Client(), () => make(plan, system), request.HttpContext.RequestAborted);
        return made is null ? PlainProblems.Refused(problems) : new SizedAnswer<T>(made);
    }
}
