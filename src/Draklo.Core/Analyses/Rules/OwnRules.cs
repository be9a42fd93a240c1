using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

/// <summary>What figures of the crew's own must satisfy.</summary>
/// <remarks>Method M23: a factor may raise what is planned after two jobs, and lower it only after five.</remarks>
internal static class OwnRules
{
    public static void Check(Plan plan, List<Problem> problems)
    {
        for (var i = 0; i < plan.Ours.Count; i++)
        {
            if (!MemberPaths.IsMember<Plan>(plan.Ours[i].Path))
            {
                problems.Add(new($"ours[{i}].path", $"“{plan.Ours[i].Path}” is not a member of a plan."));
            }
        }

        CheckFactor(plan, problems);
        if (plan.Cut.Holds is { } holds && !(holds.LowDeg <= holds.NominalDeg && holds.NominalDeg <= holds.HighDeg))
        {
            problems.Add(new("cut.holds.nominalDeg", "Give the three angles in their order: least, usual, most."));
        }

        for (var i = 0; i < plan.Lines.Count; i++)
        {
            InOrder(plan.Lines[i].Tackle.Passes, $"lines[{i}].tackle.passes.nominal", problems);
            for (var r = 0; r < plan.Lines[i].Redirects.Count; r++)
            {
                InOrder(plan.Lines[i].Redirects[r].Passes, $"lines[{i}].redirects[{r}].passes.nominal", problems);
            }
        }
    }

    private static void CheckFactor(Plan plan, List<Problem> problems)
    {
        const string path = "tree.pullFactor";
        if (plan.Tree.PullFactor is not { } factor || factor == 1)
        {
            return;
        }

        var jobs = plan.Ours.FirstOrDefault(o => o.Path == path)?.Count ?? 0;
        if (factor < 1 && jobs < OwnFigure.JobsToAskLess)
        {
            problems.Add(
                new(
                    path,
                    $"A factor under 1 lowers the worked-out figure. It needs {OwnFigure.JobsToAskLess} jobs behind it, and here are {jobs}. Take it out, or take the figure from what the crew learned."
                )
            );
        }
        else if (factor > 1 && jobs < OwnFigure.JobsToAskMore)
        {
            problems.Add(
                new(
                    path,
                    $"One job is no rule: a factor needs {OwnFigure.JobsToAskMore} jobs behind it, and here are {jobs}. Raise the load reserve instead."
                )
            );
        }
    }

    private static void InOrder(OwnPassMembers? own, string path, List<Problem> problems)
    {
        if (own is not null && !(own.Low <= own.Nominal && own.Nominal <= own.High))
        {
            problems.Add(new(path, "Give the three shares in their order: least, usual, most."));
        }
    }
}
