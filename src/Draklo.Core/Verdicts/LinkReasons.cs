using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Links that are tight or fail. The worst speaks first, so that the headline names what limits the plan.</summary>
internal static class LinkReasons
{
    public static void Add(Findings findings, ReasonList reasons)
    {
        var context = findings.Context;
        List<Link>? open = null;
        var links = findings.Pull.Path.Links;
        for (var i = 0; i < links.Count; i++)
        {
            if (links[i].State != LinkState.Holds)
            {
                (open ??= []).Add(links[i]);
            }
        }

        foreach (var link in open?.OrderByDescending(l => l.Use) ?? Enumerable.Empty<Link>())
        {
            var (code, text) = Judge(context, link);
            reasons.Add(
                link.State == LinkState.Tight ? VerdictState.Check : VerdictState.Stop,
                code,
                text,
                null,
                link.Id,
                ("load", link.LoadValue),
                ("worstLoad", link.WorstLoadValue),
                ("allowed", link.Allowed.Value),
                ("strength", link.StrengthValue),
                ("use", link.Use)
            );
        }

        AddCareful(findings, reasons);
    }

    /// <summary>Links that hold at the middle of what is known and not at the careful end.</summary>
    private static void AddCareful(Findings findings, ReasonList reasons)
    {
        Link? worst = null;
        var over = 0;
        foreach (var link in findings.Pull.Path.Links)
        {
            if (link.State == LinkState.Holds && link.CarefulUse > 1)
            {
                over++;
                worst = link.CarefulUse > (worst?.CarefulUse ?? 0) ? link : worst;
            }
        }

        if (worst is not null)
        {
            var others = over > 1 ? $" ({Sentences.Count(over - 1)} more beside it)" : "";
            reasons.Check(
                "careful-end",
                $"{NameOf(findings.Context, worst)}: {worst.Use:%} of what is allowed at the middle of what is known, {worst.CarefulUse:%} at the careful end{others}. Measure better, or choose what has more to spare.",
                null,
                worst.Id,
                ("use", worst.Use),
                ("carefulUse", worst.CarefulUse)
            );
        }
    }

    /// <summary>For a plan that holds: what is nearest its limit.</summary>
    public static string NearestItsLimit(PlanContext context, Link link) =>
        Headlines.Nearest(link, NameOf(context, link), link.Rule.IsEffort, context.Units);

    private static (string Code, string Text) Judge(PlanContext context, Link link)
    {
        var units = context.Units;
        var name = NameOf(context, link);
        return link switch
        {
            { State: LinkState.Tight } => ("link-tight", $"{Carries(context, link)}: tight."),
            { Use: > 1, Rule.IsEffort: true } => (
                "hauler-too-weak",
                units.Say(
                    $"{name} cannot haul it: the plan needs {link.Load} and {PronounOf(context, link)} {(IsOne(context, link) ? "keeps" : "keep")} up {link.Strength}."
                )
            ),
            { Use: > 1, Slips: true } => (
                "link-slips",
                link.Factor > 1
                    ? units.Say($"{name} slips: the plan needs {link.Load} and it may carry {link.Allowed}.")
                    : units.Say($"{name} slips: the plan needs {link.Load} and it holds {link.Strength}.")
            ),
            { Use: > 1 } => ("link-fails", $"{Carries(context, link)}: it fails."),
            _ => (
                "link-breaks-at-worst",
                units.Say(
                    $"{name} would break under the hardest heave: that could put {link.WorstLoad} on it and it holds {link.Strength}."
                )
            ),
        };
    }

    /// <summary>"The pull line carries 1.93 kN of the 8.00 kN it may".</summary>
    private static string Carries(PlanContext context, Link link) =>
        link.Rule.IsEffort
            ? context.Units.Say(
                $"{NameOf(context, link)} must give {link.Load}{Figures.AboutKilograms(link.LoadValue, context.Units)} of the {link.Strength} {PronounOf(context, link)} can keep up"
            )
            : context.Units.Say($"{NameOf(context, link)} carries {link.Load} of the {link.Allowed} it may");

    private static string NameOf(PlanContext context, Link link) =>
        link.LineId is { } line && context.Plan.Lines.Count > 1 ? $"{link.Name} on the {line} line" : link.Name;

    private static string PronounOf(PlanContext context, Link link) => IsOne(context, link) ? "it" : "they";

    /// <summary>A machine, a winch or a vehicle, not people.</summary>
    private static bool IsOne(PlanContext context, Link link) =>
        context.Plan.Lines.FirstOrDefault(l => l.Id == link.LineId)?.Puller.Kind != PullerKind.People;
}
