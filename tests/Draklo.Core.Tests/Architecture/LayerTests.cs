using ArchUnitNET.Domain.Extensions;
using ArchUnitNET.Loader;
using Draklo.Core.Plans;

namespace Draklo.Core.Tests;

/// <summary>The folders of the core read in one order: each uses only those before it.</summary>
public sealed class LayerTests
{
    private const string Prefix = "Draklo.Core.";

    private static readonly string[] Order =
    [
        "Units",
        "Reading",
        "Answers",
        "Geometry",
        "Plans",
        "Catalogue",
        "Tackle",
        "Gear",
        "Trees",
        "Lines",
        "Links",
        "Sites",
        "Verdicts",
        "Analyses",
        "Studies",
        "Falls",
        "Rigging",
        "Clearing",
        "Days",
        "Briefs",
        "Pulling",
        "Logs",
        "Learning",
        "Practice",
        "Carrying",
        "Questions",
    ];

    private static readonly ArchUnitNET.Domain.Architecture Core = new ArchLoader()
        .LoadAssemblies(typeof(Plan).Assembly)
        .Build();

    [Fact]
    public void Each_folder_uses_only_those_before_it()
    {
        var backward = Core
            .Types.Where(t => FolderOf(t.Namespace.FullName) is not null)
            .SelectMany(t => t.GetTypeDependencies().Select(to => (From: t, To: to)))
            .Where(d =>
                FolderOf(d.To.Namespace?.FullName) is { } to && Rank(to) > Rank(FolderOf(d.From.Namespace.FullName)!)
            )
            .Select(d => $"{d.From.FullName} uses {d.To.FullName}")
            .Distinct(StringComparer.Ordinal);
        Assert.Empty(backward);
    }

    [Fact]
    public void Every_folder_has_its_place_and_holds_something()
    {
        var found = Core
            .Types.Select(t => FolderOf(t.Namespace.FullName))
            .OfType<string>()
            .Distinct(StringComparer.Ordinal)
            .Order(StringComparer.Ordinal);
        Assert.Equal(Order.Order(StringComparer.Ordinal), found);
    }

    /// <summary>The check itself sees a dependency: the verdict uses links, and never the other way round.</summary>
    [Fact]
    public void Dependencies_are_seen()
    {
        var used = Core
            .Types.Where(t => FolderOf(t.Namespace.FullName) == "Verdicts")
            .SelectMany(t => t.GetTypeDependencies())
            .Select(t => FolderOf(t.Namespace?.FullName))
            .ToHashSet();
        Assert.Contains("Links", used);
        Assert.DoesNotContain("Studies", used);
    }

    private static int Rank(string folder) => Array.IndexOf(Order, folder);

    /// <summary>"Links" of "Draklo.Core.Links"; null for what is not the core's own.</summary>
    private static string? FolderOf(string? space) =>
        space?.StartsWith(Prefix, StringComparison.Ordinal) == true ? space[Prefix.Length..].Split('.')[0] : null;
}
