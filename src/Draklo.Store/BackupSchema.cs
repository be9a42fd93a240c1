using System.Collections.Frozen;
using System.Data;
using System.Text.RegularExpressions;
using Dapper;

namespace Draklo.Store;

/// <summary>Whether a data file from outside is made of what Draklo makes, and of nothing that would run by itself.</summary>
internal static partial class BackupSchema
{
    private const string Journal = "SchemaVersions";

    /// <summary>By the migration that makes them, in order: the names of its tables.</summary>
    private static readonly Lazy<FrozenDictionary<string, IReadOnlyList<string>>> Made = new(() =>
    {
        var store = typeof(BackupSchema).Assembly;
        return store
            .GetManifestResourceNames()
            .Where(n => n.EndsWith(".sql", StringComparison.Ordinal))
            .ToFrozenDictionary(n => n, TablesIn, StringComparer.Ordinal);

        IReadOnlyList<string> TablesIn(string script)
        {
            using var text = new StreamReader(store.GetManifestResourceStream(script)!);
            return [.. CreateTable().Matches(text.ReadToEnd()).Select(m => m.Groups["name"].Value)];
        }
    });

    /// <summary>What of the file is not Draklo's, or is missing, as a sentence; null where it is all there and nothing else.</summary>
    public static string? Fault(IDbConnection file)
    {
        var parts = file.Query<(string Type, string Name)>("select type, name from sqlite_master").ToList();
        var known = Made.Value.Values.SelectMany(t => t).Append(Journal).ToHashSet(StringComparer.Ordinal);
        foreach (var (type, name) in parts)
        {
            var isOurs =
                type == "index"
                || (type == "table" && (known.Contains(name) || name.StartsWith("sqlite_", StringComparison.Ordinal)));
            if (!isOurs)
            {
                return $"It holds the {type} “{name}”, which no Draklo makes.";
            }
        }

        var tables = parts.Where(p => p.Type == "table").Select(p => p.Name).ToHashSet(StringComparer.Ordinal);
        if (!tables.Contains(Journal))
        {
            return "It does not say which version of Draklo made it.";
        }

        var missing = file.Query<string>($"select ScriptName from {Journal}")
            .SelectMany(script => Made.Value.GetValueOrDefault(script, []))
            .FirstOrDefault(t => !tables.Contains(t));
        return missing is null ? null : $"The table “{missing}” is missing.";
    }

    [GeneratedRegex(@"^create table (?<name>\w+)", RegexOptions.Multiline | RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex CreateTable();
}
