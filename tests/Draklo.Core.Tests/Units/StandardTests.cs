using System.Text.Json;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>The constants of the units are those by which people's figures are read.</summary>
public sealed class StandardTests
{
    [Theory]
    [InlineData("kgf", Standard.Gravity)]
    [InlineData("lbf", Standard.PoundForce)]
    public void A_force_is_the_same_in_the_table_and_in_the_sums(string name, double newtons)
    {
        using var file = typeof(Standard).Assembly.GetManifestResourceStream("units.json")!;
        using var table = JsonDocument.Parse(file);
        var unit = table
            .RootElement.GetProperty("spellings")
            .GetProperty("forces")
            .EnumerateArray()
            .Single(u => u.GetProperty("name").GetString() == name);
        Assert.Equal(newtons, unit.GetProperty("si").GetDouble());
    }
}
