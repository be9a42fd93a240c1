namespace Draklo.Core.Reading;

/// <summary>What may stand as the id of something in a document.</summary>
public static class Ids
{
    public const string Pattern = "^[a-z0-9][a-z0-9-]{0,31}$";

    /// <summary>Why a text isn't a valid id, to stand after its name.</summary>
    public const string Fault = "takes small letters, digits and hyphens only, 32 at most.";

    /// <summary>Of a key that whoever sends something makes for it.</summary>
    public const string KeyPattern = "^[A-Za-z0-9-]{8,64}$";

    public const string KeyFault = "takes letters from A to Z, digits and hyphens, 8 to 64 of them.";

    private const int Longest = 32;

    /// <summary>As <see cref="Pattern"/> has it, without what a pattern costs to set up: nearly every document has ids.</summary>
    public static bool Is(string text)
    {
        if (text.Length is 0 or > Longest || text[0] == '-')
        {
            return false;
        }

        foreach (var letter in text)
        {
            if (!char.IsAsciiLetterLower(letter) && !char.IsAsciiDigit(letter) && letter != '-')
            {
                return false;
            }
        }

        return true;
    }
}
