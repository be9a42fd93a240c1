using System.Text.RegularExpressions;
using CsCheck;
using Draklo.Core.Reading;

namespace Draklo.Core.Tests;

public sealed class IdsTests
{
    [Fact]
    public void An_id_is_what_its_pattern_says()
    {
        var pattern = new Regex($"\\A{Ids.Pattern[1..^1]}\\z", RegexOptions.CultureInvariant, TimeSpan.FromSeconds(1));
        Gen.Char["ab09-A_ é\n"]
            .Array[0, 36]
            .Select(letters => new string(letters))
            .Sample(text => Ids.Is(text) == pattern.IsMatch(text), iter: Tries.Of(20_000));
        Assert.All(["a", "0-", new string('a', 32)], id => Assert.True(Ids.Is(id), id));
        Assert.All(["", "-a", "a\n", new string('a', 33), "Ä"], text => Assert.False(Ids.Is(text), text));
    }
}
