namespace Draklo.Core.Gear;

/// <summary>Ids of pieces, made of their names.</summary>
public static class GearIds
{
    /// <summary>An id made of the name that no other piece has.</summary>
    /// <param name="taken">Ids of all pieces, deleted ones too.</param>
    public static string Free(GearItem item, ISet<string> taken)
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
        for (var n = 2; taken.Contains(id); n++)
        {
            id = $"{plain}-{n}";
        }

        return id;
    }
}
