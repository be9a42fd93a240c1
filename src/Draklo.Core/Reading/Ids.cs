namespace Draklo.Core.Reading;

/// <summary>What may stand as the id of something in a document.</summary>
public static class Ids
{
    public const string Pattern = "^[a-z0-9][a-z0-9-]{0,31}$";
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
