using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Tackle;

/// <summary>What a tackle of the crew's own must satisfy before it is rove.</summary>
public static class ComposerRules
{
    private const string Anchor = "anchor";

    /// <summary>
    /// What is wrong with a composed tackle, by the path of its members; nothing when it can be hauled.
    /// </summary>
    public static List<Problem> Check(ComposedMembers own)
    {
        var problems = new List<Problem>();
        if (Composer.IsKnown(own))
        {
            return problems;
        }

        if (own.Stages.Count > 0 == (own.Points.Count > 0 || own.Ropes.Count > 0))
        {
            problems.Add(
                new(
                    "stages",
                    own.Stages.Count > 0
                        ? "This tackle is put together by stages and rope by rope at once: keep one of the two."
                        : "This tackle has no stage yet: add one, such as a three."
                )
            );
            return problems;
        }

        CheckStages(own.Stages, problems);
        if (own.Stages.Count > 1 && own.Stages.All(s => s.Kind == StageKind.Redirect))
        {
            problems.Add(
                new(
                    "stages",
                    "Nothing hauls here but redirects, and they gain nothing: keep one, or add a two, three, four or five."
                )
            );
        }

        CheckContacts(own.Ropes, problems);
        if (problems.Count > 0)
        {
            return problems;
        }

        var shape = Composer.Rove(own, new(1, 1));
        var (solved, faults) = TackleSolver.Solve(shape);
        if (own.Stages.Count > 0)
        {
            // The points and ropes are not the crew's; the fault is with the stages.
            problems.AddRange(faults.Take(1).Select(f => new Problem("stages", f.Message)));
            return problems;
        }

        problems.AddRange(
            faults.Select(f => f with { Path = f.Path.Replace(".efficiency", ".contactId", StringComparison.Ordinal) })
        );
        if (
            solved is not null
            && !shape.Points.Any(p => p is { Kind: PointKind.Fixed, Id: Anchor })
            && shape.Points.Any(p => p.Kind == PointKind.Fixed)
        )
        {
            problems.Add(
                new(
                    "points",
                    $"No fixed point is called “{Anchor}”: give that name to the one that hangs on the plan's anchor."
                )
            );
        }

        if (solved is not null && TackleMotion.Of(shape) is null)
        {
            problems.Add(
                new(
                    "ropes",
                    "Hauling leaves a point free to run by itself: give each moving point one rope that starts there."
                )
            );
        }

        return problems;
    }

    private static void CheckStages(IReadOnlyList<StageMembers> stages, List<Problem> problems)
    {
        for (var i = 0; i < stages.Count; i++)
        {
            var stage = stages[i];
            var path = $"stages[{i}]";
            var turns = StageChoices.TurnsOf(stage.Kind);
            if (stage.ContactIds.Count > turns)
            {
                problems.Add(
                    new(
                        $"{path}.contactIds",
                        $"This stage has {(turns == 0 ? "no turn" : turns == 1 ? "one turn" : $"{turns} turns")}, and {stage.ContactIds.Count} are given: leave the rest out."
                    )
                );
            }

            for (var c = 0; c < stage.ContactIds.Count; c++)
            {
                CheckContact(stage.ContactIds[c], $"{path}.contactIds[{c}]", problems);
            }

            if (
                stage.Kind == StageKind.BetweenGrips
                && (
                    i < stages.Count - 1
                    || i == 0
                    || stages.Take(i).All(s => StageChoices.TurnsOf(s.Kind) == 0 || s.Kind == StageKind.Redirect)
                )
            )
            {
                problems.Add(
                    new(
                        $"{path}.kind",
                        i < stages.Count - 1
                            ? "Between two grips comes last, for it is the line itself that turns at the anchor: move it to the end."
                            : "Nothing draws the two grips together: put a two, three, four or five before it."
                    )
                );
            }
            else if (stage.Kind == StageKind.Redirect && i > 0 && i < stages.Count - 1)
            {
                problems.Add(
                    new(
                        $"{path}.kind",
                        "A redirect between two stages pulls its traveller toward the anchor as the stage before does, so nothing holds it in balance: put it first, at the hands, or last, on the line."
                    )
                );
            }
            else if (stage.Kind == StageKind.Direct && stages.Count > 1)
            {
                problems.Add(
                    new($"{path}.kind", "A direct pull is no stage: it adds a rope and gains nothing. Leave it out.")
                );
            }
        }
    }

    private static void CheckContacts(IReadOnlyList<ComposedRopeMembers> ropes, List<Problem> problems)
    {
        for (var r = 0; r < ropes.Count; r++)
        {
            for (var c = 0; c < ropes[r].Contacts.Count; c++)
            {
                CheckContact(ropes[r].Contacts[c].ContactId, $"ropes[{r}].contacts[{c}].contactId", problems);
            }
        }
    }

    private static void CheckContact(string? id, string path, List<Problem> problems)
    {
        if (id is not null && !Reference.Contacts.ContainsKey(id))
        {
            problems.Add(new(path, $"“{id}” is not in the table of turns: choose one that is."));
        }
    }
}
