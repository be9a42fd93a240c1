using Draklo.Core.Gear;

namespace Draklo.Files;

/// <summary>Ids of pieces, made of their names.</summary>
/// <param name="taken">Ids of all pieces, deleted ones too; what is given out is not added to it.</param>
public sealed class GearIds(ISet<string> taken)
{
    /// <summary>Where to go on counting for each name, so that many pieces of one name cost no more than as many of several.</summary>
    private readonly Dictionary<string, int> next = new(StringComparer.Ordinal);

    /// <summary>An id made of the name that no other piece has.</summary>
    public string Free(GearItem item)
    {
        var plain = new string([
            .. item.Name.ToLowerInvariant().Select(c => c is >= 'a' and <= 'z' or >= '0' and <= '9' ? c : '-'),
        ]).Trim('-');
        while (plain.Contains("--", StringComparison.Ordinal))
        {
            plain = plain.Replace("--", "-", StringComparison.Ordinal);
        }

        plain =
            plain.Length > 24 ? plain[..24].Trim('-')
            : plain.Length == 0 ? GearColumns.JsonName(item.Kind).ToLowerInvariant()
            : plain;
        var id = plain;
        var n = next.GetValueOrDefault(plain, 2);
        for (; taken.Contains(id); n++)
        {
            id = $"{plain}-{n}";
        }

        next[plain] = n;

        return id;
    }
}
