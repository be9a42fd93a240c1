using System.Security.Cryptography;

namespace Draklo.Store;

/// <summary>Pictures as files beside the database, each under its content's hash: the same picture twice is one file.</summary>
public sealed class PictureFiles(string data)
{
    private readonly string folder = Path.Combine(Path.GetFullPath(data), Backups.Pictures);

    /// <summary>Keeps a picture; it is on the disk when this returns.</summary>
    /// <param name="ending">jpg, png or webp.</param>
    /// <returns>Its hash.</returns>
    public string Keep(byte[] picture, string ending)
    {
        var hash = Convert.ToHexStringLower(SHA256.HashData(picture));
        var path = Path.Combine(folder, $"{hash}.{ending}");
        if (File.Exists(path))
        {
            return hash;
        }

        DataFolder.MakeOwn(folder);
        var begun = $"{path}.{Guid.NewGuid():N}{BackupFiles.Begun}";
        using (var file = new FileStream(begun, FileMode.CreateNew, FileAccess.Write, FileShare.None))
        {
            file.Write(picture);
            file.Flush(flushToDisk: true);
        }

        DataFolder.MakeOwnFile(begun);
        File.Move(begun, path, overwrite: true);
        return hash;
    }

    /// <returns>Its path, null when it is not there.</returns>
    public string? Find(string hash) =>
        hash.Length == 64 && hash.All(char.IsAsciiHexDigitLower) && Directory.Exists(folder)
            ? Directory
                .EnumerateFiles(folder, $"{hash}.*")
                .FirstOrDefault(f => !f.EndsWith(BackupFiles.Begun, StringComparison.Ordinal))
            : null;
}
