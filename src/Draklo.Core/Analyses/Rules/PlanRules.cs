using System.Globalization;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Sites;
using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

/// <summary>What a plan must satisfy before anything is computed from it.</summary>
/// <remarks>
/// Ranges stand as attributes on the members, where the JSON Schema reads them too; how members must agree with one
/// another stands here.
/// </remarks>
public static class PlanRules
{
    private const int MostProvenance = 300;
    private const int LongestPath = 120;

    /// <summary>Every problem of the plan; none when it can be computed as far as its own figures go.</summary>
    public static List<Problem> Check(Plan plan, UnitSystem units) => Check(plan, units, out _);

    /// <param name="shapes">The targets of the site, once their members are in range.</param>
    internal static List<Problem> Check(Plan plan, UnitSystem units, out TargetShape[] shapes)
    {
        shapes = [];
        var problems = new List<Problem>();
        PlanFile.CheckHeader(plan.Format, plan.Version, problems);
        if (problems.Count > 0)
        {
            return problems;
        }

        MemberRanges.Check(plan, units, problems);
        if (problems.Count == 0)
        {
            CheckTree(plan.Tree, problems, units);
            CutRules.Check(plan, problems, units);
            LineRules.Check(plan, problems, units);
            shapes = TargetShape.All(plan.Site);
            CheckSite(plan, shapes, problems);
            DayRules.Check(plan, problems);

            CheckGuesses(plan, problems);
            CheckAccepted(plan, problems);
            OwnRules.Check(plan, problems);
        }

        return problems;
    }

    internal static void CheckTree(TreeMembers tree, List<Problem> problems, UnitSystem units)
    {
        if (tree.SpeciesId is null && tree.Wood is null)
        {
            problems.Add(new("tree.speciesId", "Say which species it is, or give the wood's own figures."));
        }

        if (tree is { SpeciesId: { } species, Wood: null } && !Reference.Species.ContainsKey(species))
        {
            problems.Add(
                new(
                    "tree.speciesId",
                    $"The species “{species}” is not in the catalogue: choose one that is, or give the wood's own figures."
                )
            );
        }

        CheckMass(tree, problems, units);
        if (tree.Decay is { } decay && decay.ShellM > decay.DiameterM / 2)
        {
            problems.Add(
                new(
                    "tree.decay.shellM",
                    units.Say(
                        $"A sound shell of {decay.ShellM:cm} is thicker than half the stem of {decay.DiameterM:cm}: a stem without rot has a shell of {decay.DiameterM / 2:cm}."
                    )
                )
            );
        }

        if (tree.Crown.BaseHeightM >= tree.HeightM)
        {
            problems.Add(
                new(
                    "tree.crown.baseHeightM",
                    units.Say(
                        $"The crown would begin at {tree.Crown.BaseHeightM:m}, above the top at {tree.HeightM:m}: lower the crown base or raise the height."
                    )
                )
            );
        }
    }

    private static void CheckMass(TreeMembers tree, List<Problem> problems, UnitSystem units)
    {
        if (tree.Mass is { Method: MassMethod.Known, Known: null })
        {
            problems.Add(
                new(
                    "tree.mass.known",
                    "You chose a known mass: give it with the height of its centre, or work it out by form."
                )
            );
        }
        else if (tree.Mass is { Method: MassMethod.Known, Known: { } known } && known.CentreHeightM >= tree.HeightM)
        {
            problems.Add(
                new(
                    "tree.mass.known.centreHeightM",
                    units.Say(
                        $"The centre of mass at {known.CentreHeightM:m} would be above the top at {tree.HeightM:m}: lower it."
                    )
                )
            );
        }

        SectionRules.Check(tree, problems, units);
    }

    private static void CheckSite(Plan plan, TargetShape[] shapes, List<Problem> problems)
    {
        for (var i = 0; i < shapes.Length; i++)
        {
            var id = shapes[i].Target.Id;
            if (plan.Site.Targets.IsBefore(i, id, static t => t.Id))
            {
                problems.Add(new($"site.targets[{i}].id", $"Two targets are called “{id}”: give each its own name."));
            }

            if (shapes[i].ProblemOfPoints() is { } fault)
            {
                problems.Add(new($"site.targets[{i}].points", fault));
            }
        }

        for (var i = 0; i < plan.WalkUp.Count; i++)
        {
            if (string.IsNullOrWhiteSpace(plan.WalkUp[i].Text))
            {
                problems.Add(
                    new(
                        $"walkUp[{i}].text",
                        "This point of the walk-up list says nothing: say what to look at, or take it off the list."
                    )
                );
            }

            var id = plan.WalkUp[i].Id;
            if (plan.WalkUp.IsBefore(i, id, static p => p.Id))
            {
                problems.Add(
                    new($"walkUp[{i}].id", $"Two points of the list are called “{id}”: give each its own name.")
                );
            }
        }
    }

    private static string Shortened(string path) => path.Length > LongestPath ? path[..LongestPath] + "…" : path;

    private static void CheckGuesses(Plan plan, List<Problem> problems)
    {
        for (var i = 0; i < plan.Guesses.Count; i++)
        {
            if (!MemberPaths.IsMember<Plan>(plan.Guesses[i]))
            {
                problems.Add(
                    new(
                        $"guesses[{i}]",
                        $"“{Shortened(plan.Guesses[i])}” is not a member of a plan: give a path such as tree.crown.massRatio."
                    )
                );
            }
        }

        for (var i = 0; i < plan.Follows.Count; i++)
        {
            if (!Following.HasRule(plan.Follows[i]))
            {
                problems.Add(
                    new(
                        $"follows[{i}]",
                        $"“{Shortened(plan.Follows[i])}” follows from nothing: give a path such as cut.stumpDiameterM, or leave it out."
                    )
                );
            }
        }

        if (plan.Provenance.Count > MostProvenance)
        {
            problems.Add(
                new("provenance", $"Provenance: {MostProvenance} members at most, not {plan.Provenance.Count}.")
            );
            return;
        }

        foreach (var path in plan.Provenance.Keys)
        {
            if (path.Length > LongestPath || !MemberPaths.IsMember<Plan>(path))
            {
                problems.Add(
                    new(
                        "provenance",
                        $"“{Shortened(path)}” is not a member of a plan: give a path such as tree.heightM."
                    )
                );
            }
        }
    }

    private static void CheckAccepted(Plan plan, List<Problem> problems)
    {
        for (var i = 0; i < plan.Accepted.Count; i++)
        {
            var accepted = plan.Accepted[i];
            if (string.IsNullOrWhiteSpace(accepted.By))
            {
                problems.Add(new($"accepted[{i}].by", "Say who accepts this check: a name."));
            }

            if (string.IsNullOrWhiteSpace(accepted.Because))
            {
                problems.Add(new($"accepted[{i}].because", "Say why this check is accepted: a sentence will do."));
            }

            if (!DateTimeOffset.TryParse(accepted.At, CultureInfo.InvariantCulture, out _))
            {
                problems.Add(
                    new(
                        $"accepted[{i}].at",
                        "Say when it was accepted: date and time, as in 2026-04-18T08:30:00+02:00."
                    )
                );
            }
        }
    }
}
