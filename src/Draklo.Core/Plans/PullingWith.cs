namespace Draklo.Core.Plans;

/// <summary>What a plan pulls with, for words that speak of no more than there is.</summary>
public static class PullingWith
{
    /// <summary>Whether anybody hauls by hand.</summary>
    public static bool HasHaulers(this Plan plan) => plan.Lines.Any(l => l.Puller.Kind == PullerKind.People);

    /// <summary>Whether a hitch or a cam holds on a rope.</summary>
    public static bool HasGrip(this Plan plan) => plan.Lines.Any(HasGrip);

    /// <inheritdoc cref="HasGrip(Plan)"/>
    public static bool HasGrip(this LineMembers line) =>
        line.Tackle.Grip is not null || line.Tackle.Hold?.Grip is not null || line.Tackle.Capture is not null;

    /// <summary>Whether rope runs over blocks: in a tackle, or where a line turns.</summary>
    public static bool HasBlocks(this Plan plan) =>
        plan.Lines.Any(l => l.Tackle.SystemId != "direct" || l.Redirects.Count > 0);

    /// <summary>What is watched beside the line: "the anchor, the grip, the blocks", as far as there are any.</summary>
    public static string Watched(this Plan plan) =>
        "the anchor" + (plan.HasGrip() ? ", the grip" : ", the sling") + (plan.HasBlocks() ? ", the blocks" : "");
}
