using System.Text;
using CsvHelper;
using Draklo.Core.Pulling;
using Draklo.Web.Pulling;

namespace Draklo.Web.Tests;

/// <summary>Readings as the CSV files of an archive.</summary>
public sealed class TraceFileTests
{
    [Fact]
    public void Readings_come_back_to_the_last_digit()
    {
        var chance = new Random(3);
        TracePoint[] points =
        [
            .. Enumerable
                .Range(0, 2000)
                .Select(i => new TracePoint(
                    1_795_000_000_000 + (i * 50),
                    (float)(chance.NextDouble() * 5000),
                    i % 3 == 0 ? float.NaN : (float)chance.NextDouble(),
                    i % 5 == 0 ? (float)i : float.NaN,
                    i % 7 == 0
                )),
        ];
        using var file = new MemoryStream();
        TraceFiles.Write(file, points);
        Assert.Equal(points, TraceFiles.Read(file.ToArray()));
    }

    [Fact]
    public void No_readings_are_a_heading_alone()
    {
        using var file = new MemoryStream();
        TraceFiles.Write(file, []);
        Assert.Equal(
            "at_ms,tension_n,lean_deg,hauled_m,doubtful,simulated",
            Encoding.UTF8.GetString(file.ToArray()).Trim()
        );
        Assert.Empty(TraceFiles.Read(file.ToArray()));
    }

    [Theory]
    [InlineData("hello")]
    [InlineData("at_ms,tension_n,lean_deg,hauled_m,doubtful\nx,1,,,")]
    [InlineData("at_ms,tension_n,lean_deg,hauled_m,doubtful\n1,NaN,,,")]
    [InlineData("at_ms,tension_n,lean_deg,hauled_m,doubtful\n1,-5,,,")]
    [InlineData("at_ms,tension_n,lean_deg,hauled_m,doubtful\n-1,5,,,")]
    [InlineData("at_ms,tension_n,lean_deg,hauled_m,doubtful\n1,5,steep,,")]
    public void What_holds_something_else_is_refused(string text)
    {
        var thrown = Record.Exception(() => TraceFiles.Read(Encoding.UTF8.GetBytes(text + "\n1,2,3,4,")));
        Assert.True(thrown is CsvHelperException or FormatException, $"{thrown?.GetType()}");
    }
}
