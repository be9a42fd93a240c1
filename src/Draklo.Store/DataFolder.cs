using System.Runtime.Versioning;

namespace Draklo.Store;

/// <summary>The folder that holds all a crew has: the data file, pictures, backups and the log. One server at a time.</summary>
public sealed class DataFolder : IDisposable
{
    private const UnixFileMode OwnerOnly = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;
    private const UnixFileMode OwnersFile = UnixFileMode.UserRead | UnixFileMode.UserWrite;

    private readonly FileStream held;

    private DataFolder(string path, FileStream held)
    {
        Path = path;
        this.held = held;
    }

    public string Path { get; }

    public string DataFile => FileIn(Path);

    public static string FileIn(string folder) => System.IO.Path.Combine(folder, "draklo.sqlite");

    /// <summary>What a restore puts beside the data file before it takes its place.</summary>
    internal const string Restored = ".restored";

    /// <summary>Begins the name of a folder in which a restore keeps what was there.</summary>
    internal const string BeforeRestore = "before-restore-";

    /// <summary>
    /// Why nothing new may begin in a folder: its data file is empty or gone, and it once had one. Null where it is there, or
    /// where there never was one.
    /// </summary>
    internal static string? NotNew(string folder)
    {
        var file = FileIn(folder);
        var isEmpty = File.Exists(file) && new FileInfo(file).Length == 0;
        if (File.Exists(file) && !isEmpty)
        {
            return null;
        }

        var earlier = EarlierIn(folder);
        return earlier is null && !isEmpty
            ? null
            : (
                isEmpty
                    ? $"The data file {file} is empty"
                    : $"There is no data file in {System.IO.Path.GetFullPath(folder)}"
            )
                + (
                    earlier is null
                        ? "."
                        : $", but {earlier} lies beside it: the yard that was here is not thrown away for a new one."
                )
                + " Restore a backup into the folder (restore, and the backup's name), or put the file back; to begin anew, name another folder. Nothing was changed.";
    }

    /// <summary>What shows that a folder had a data file; null for nothing.</summary>
    private static string? EarlierIn(string folder)
    {
        var file = FileIn(folder);
        return new[] { file + Restored, file + "-wal" }
            .Where(f => File.Exists(f) && new FileInfo(f).Length > 0)
            .Concat(Directory.EnumerateDirectories(folder, BeforeRestore + "*"))
            .Concat(
                Directory.EnumerateFiles(folder, System.IO.Path.GetFileName(file) + ".*").Where(f => !IsOfFirstStart(f))
            )
            .Concat(BackupsIn(folder))
            .FirstOrDefault();
    }

    /// <summary>A first start that was killed leaves a begun file, and begins again.</summary>
    private static bool IsOfFirstStart(string file) =>
        System.IO.Path.GetFileName(file).StartsWith("draklo.sqlite.new", StringComparison.Ordinal);

    private static IEnumerable<string> BackupsIn(string folder)
    {
        var backups = System.IO.Path.Combine(folder, "backups");
        return Directory.Exists(backups)
            ? Directory.EnumerateDirectories(backups).Where(b => BackupFiles.NoteIn(b) is not null)
            : [];
    }

    /// <summary>Makes the folder where it is missing, closes it to other users, and claims it until disposed.</summary>
    /// <exception cref="StartException">It cannot be used, or another Draklo works on it.</exception>
    public static DataFolder Claim(string folder)
    {
        var path = System.IO.Path.GetFullPath(folder);
        try
        {
            if (File.Exists(path))
            {
                throw new StartException(
                    $"{path} is a file; the data folder must be a folder. Name another one.",
                    StartException.OfFolder
                );
            }

            MakeOwn(path);
            var name = System.IO.Path.Combine(path, "draklo.lock");
            var claim = new FileStream(name, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
            MakeOwnFile(name);
            // A full disk and a folder that is read only show here, before anything depends on them.
            claim.SetLength(0);
            claim.Write("held while Draklo works on this folder\n"u8);
            claim.Flush(flushToDisk: true);
            return new(path, claim);
        }
        catch (UnauthorizedAccessException e)
        {
            throw new StartException(
                $"The data folder {path} cannot be written: give this user the right to, or name another folder.",
                StartException.OfFolder,
                e
            );
        }
        catch (IOException e) when (IsFull(e))
        {
            throw new StartException(
                $"The disk of the data folder {path} is full: make room, then start again. Nothing was changed.",
                StartException.OfFolder,
                e
            );
        }
        catch (IOException e) when (Directory.Exists(path) && e is not DirectoryNotFoundException)
        {
            throw new StartException(
                $"Another Draklo already works on {path}: use that one, or stop it first. Two would disagree about the gear.",
                StartException.OfFolder,
                e
            );
        }
        catch (IOException e)
        {
            throw new StartException($"The data folder {path} cannot be made: {e.Message}", StartException.OfFolder, e);
        }
    }

    /// <summary>Makes a folder that only its owner can enter.</summary>
    public static void MakeOwn(string path)
    {
        if (OperatingSystem.IsWindows())
        {
            Directory.CreateDirectory(path);
            return;
        }

        Directory.CreateDirectory(path, OwnerOnly);
        SetMode(path, OwnerOnly);
    }

    /// <summary>Makes a file that only its owner can read.</summary>
    public static void MakeOwnFile(string path)
    {
        if (!OperatingSystem.IsWindows() && File.Exists(path))
        {
            SetMode(path, OwnersFile);
        }
    }

    public static bool IsFull(IOException e)
    {
        const int noSpaceLeft = 28;
        const int overQuota = 122;
        return (e.HResult & 0xFFFF) is noSpaceLeft or overQuota;
    }

    public void Dispose() => held.Dispose();

    [UnsupportedOSPlatform("windows")]
    private static void SetMode(string path, UnixFileMode mode)
    {
        try
        {
            if (File.GetUnixFileMode(path) != mode)
            {
                File.SetUnixFileMode(path, mode);
            }
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // A folder of another owner, or a file system without modes: whether it can be written shows next.
        }
    }
}
