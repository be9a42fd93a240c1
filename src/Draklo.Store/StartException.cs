namespace Draklo.Store;

/// <summary>Why a data folder cannot be worked on, in words for whoever started the program.</summary>
/// <param name="code">The exit code: 4 for the folder, 5 for the data file in it.</param>
public sealed class StartException(string message, int code, Exception? inner = null) : Exception(message, inner)
{
    public const int OfFolder = 4;
    public const int OfFile = 5;

    /// <summary>What the process ends with, 1 to 255.</summary>
    public int Code => code;
}
