using System.Text;
using Draklo.Core.Gear;
using Draklo.Core.Units;
using Draklo.Files;

namespace Draklo.Core.Tests.Gear;

/// <summary>Files that are large or meant to hurt cost what they weigh.</summary>
public sealed class LargeListTests
{
    private static readonly DateOnly Today = new(2027, 3, 9);

    [Fact]
    public void Many_pieces_of_one_name_cost_no_more_than_as_many_of_several()
    {
        const int count = 10_000;
        var taken = new CountingSet();
        var ids = new GearIds(taken);
        var item = new GearItem
        {
            Id = "",
            Kind = GearKind.Rope,
            Name = "Line",
        };
        for (var i = 0; i < count; i++)
        {
            taken.Add(ids.Free(item));
        }

        Assert.Equal(count, taken.Count);
        Assert.Contains("line", taken);
        Assert.Contains($"line-{count}", taken);
        Assert.InRange(taken.Looked, count, 4 * count);
    }

    [Fact]
    public void A_cell_without_end_is_refused_where_it_grows_too_long()
    {
        var file = Encoding.UTF8.GetBytes("kind,name\nrope,\"" + string.Concat(Enumerable.Repeat("a line\n", 15_000)));
        var before = GC.GetAllocatedBytesForCurrentThread();
        var (preview, problems) = Read(file);
        Assert.Null(preview);
        Assert.Contains("quotation mark", Assert.Single(problems).Message, StringComparison.Ordinal);
        // The text itself and little more; a cell that is put together letter by letter would cost many times that.
        Assert.InRange(GC.GetAllocatedBytesForCurrentThread() - before, 0, 4L * file.Length);
    }

    [Theory]
    [InlineData("\"kind\":1,")]
    [InlineData("x,")]
    [InlineData("\"\"\"=,")]
    public void A_line_of_thousands_of_cells_is_another_kind_of_file(string cell)
    {
        foreach (var header in new[] { "", "kind,name\n" })
        {
            var (preview, problems) = Read(
                Encoding.UTF8.GetBytes(header + string.Concat(Enumerable.Repeat(cell, 20_000)))
            );
            Assert.Null(preview);
            Assert.Contains("another kind of file", Assert.Single(problems).Message, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void A_file_that_nobody_waits_for_is_not_read_on()
    {
        using var stop = new CancellationTokenSource();
        stop.Cancel();
        Assert.Throws<OperationCanceledException>(() =>
            GearCsv.Preview(
                "kind,name\nrope,Line\n"u8.ToArray(),
                [],
                new HashSet<string>(),
                Today,
                UnitSystem.Metric,
                stop.Token
            )
        );
    }

    [Theory]
    [InlineData("=1+1")]
    [InlineData("  =1+1")]
    [InlineData("\u00a0@SUM(A1)")]
    [InlineData("\u200b=1")]
    [InlineData("\uff1d1+1")]
    [InlineData("\uff0b1")]
    [InlineData("\uff20x")]
    [InlineData("\u22121")]
    [InlineData("rope;=cmd()")]
    [InlineData("rope, =cmd()")]
    [InlineData("rope|+1")]
    [InlineData("rope\"=1")]
    [InlineData("rope'@x")]
    [InlineData("-2+3")]
    [InlineData("- cmd|'/C calc'!A0")]
    [InlineData("x;-2+3")]
    [InlineData("x; -2 +cmd|' /C calc'!A0")]
    [InlineData("x, -2*SUM(A1)")]
    public void What_some_spreadsheet_would_run_is_not_kept(string text) =>
        Assert.Contains(Problems(text), p => p.Message.Contains("formula", StringComparison.Ordinal));

    [Theory]
    [InlineData("Static line 13 mm, red")]
    [InlineData("- the old one")]
    [InlineData("worn at 3-4 m, -5 % of its strength")]
    [InlineData("mail: crew@house.example")]
    [InlineData("a+b, c=d")]
    [InlineData("“quoted”, and more")]
    public void Ordinary_text_is_kept(string text) => Assert.Empty(Problems(text));

    private static List<Problem> Problems(string note) =>
        GearRules.Check(
            new GearItem
            {
                Id = "line",
                Kind = GearKind.Rope,
                Name = "Line",
                Note = note,
            },
            Today,
            UnitSystem.Metric
        );

    private static (CsvPreview? Preview, List<Problem> Problems) Read(byte[] file) =>
        GearCsv.Preview(file, [], new HashSet<string>(), Today, UnitSystem.Metric);

    /// <summary>Counts how often it is looked into.</summary>
    private sealed class CountingSet : HashSet<string>, ISet<string>, ICollection<string>
    {
        public int Looked { get; private set; }

        bool ICollection<string>.Contains(string item)
        {
            Looked++;
            return Contains(item);
        }
    }
}
