using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>Every kind of member is held to its range, whether it may be left out or not.</summary>
public sealed class MemberRangeTests
{
    public sealed record Sample : IDocumentPart
    {
        [Display(Name = "Whole")]
        [Range(1, 5)]
        public int Whole { get; init; } = 1;

        [Display(Name = "Whole or none")]
        [Range(1, 5)]
        public int? WholeOrNone { get; init; }

        [Display(Name = "Number")]
        [Range(0.5, 2)]
        public double Number { get; init; } = 1;

        [Display(Name = "Number or none")]
        [Range(0.5, 2)]
        public double? NumberOrNone { get; init; }

        [Display(Name = "Word")]
        [MaxLength(3)]
        public string Word { get; init; } = "";
    }

    public static TheoryData<Sample, string> Wrong =>
        new()
        {
            {
                new() { Whole = 0 },
                "whole"
            },
            {
                new() { Whole = 6 },
                "whole"
            },
            {
                new() { WholeOrNone = 0 },
                "wholeOrNone"
            },
            {
                new() { WholeOrNone = 6 },
                "wholeOrNone"
            },
            {
                new() { Number = 0.4 },
                "number"
            },
            {
                new() { Number = double.NaN },
                "number"
            },
            {
                new() { Number = double.PositiveInfinity },
                "number"
            },
            {
                new() { NumberOrNone = 2.1 },
                "numberOrNone"
            },
            {
                new() { NumberOrNone = double.NaN },
                "numberOrNone"
            },
            {
                new() { Word = "four" },
                "word"
            },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_is_out_of_range_is_named(Sample sample, string path) =>
        Assert.Equal(path, Assert.Single(Of(sample)).Path);

    [Fact]
    public void What_is_left_out_or_on_the_edge_is_right()
    {
        Assert.Empty(Of(new()));
        Assert.Empty(
            Of(
                new()
                {
                    Whole = 5,
                    WholeOrNone = 1,
                    Number = 0.5,
                    NumberOrNone = 2,
                    Word = "abc",
                }
            )
        );
    }

    private static List<Problem> Of(Sample sample)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(sample, UnitSystem.Metric, problems);
        return problems;
    }
}
