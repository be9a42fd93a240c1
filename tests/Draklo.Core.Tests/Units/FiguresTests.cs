using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>How figures are written: few of them, in the reader's units, with nothing that nobody measured.</summary>
public sealed class FiguresTests
{
    [Theory]
    [InlineData(1486.4, 3, "1,490")]
    [InlineData(0.0471, 3, "0.0471")]
    [InlineData(13, 3, "13")]
    [InlineData(4.0, 3, "4")]
    [InlineData(0.5, 3, "0.5")]
    [InlineData(-2.346, 2, "−2.3")]
    [InlineData(1e-9, 3, "0")]
    [InlineData(double.NaN, 3, "–")]
    [InlineData(double.PositiveInfinity, 3, "–")]
    public void A_number_has_few_figures_and_no_trailing_zeros(double value, int figures, string written) =>
        Assert.Equal(written, Figures.Plain(value, figures));

    [Theory]
    [InlineData(999, "N", "999 N")]
    [InlineData(1000, "N", "1 kN")]
    [InlineData(1987.95, "N", "1.99 kN")]
    [InlineData(485.4, "N", "485 N")]
    [InlineData(0.449, "cm", "44.9 cm")]
    [InlineData(0.0127, "mm", "12.7 mm")]
    [InlineData(21, "m", "21 m")]
    [InlineData(2.11e6, "MPa", "2.11 MPa")]
    [InlineData(6819.2, "Nm", "6.82 kN·m")]
    [InlineData(8.176, "deg", "8.2°")]
    [InlineData(0.28, "%", "28 %")]
    [InlineData(1652.7, "kg", "1,650 kg")]
    public void Metric_readers_get_metric_units(double value, string unit, string written) =>
        Assert.Equal(written, Figures.With(value, unit, UnitSystem.Metric));

    [Theory]
    [InlineData(4.4482216, "N", "1 lbf")]
    [InlineData(1987.95, "N", "447 lbf")]
    [InlineData(0.3048, "m", "1 ft")]
    [InlineData(0.0254, "cm", "1 in")]
    [InlineData(45.359237, "kg", "100 lb")]
    [InlineData(6894757, "MPa", "1,000 psi")]
    public void American_readers_get_theirs(double value, string unit, string written) =>
        Assert.Equal(written, Figures.With(value, unit, UnitSystem.Us));

    [Fact]
    public void A_unit_that_is_none_is_a_mistake_of_ours_and_says_so() =>
        Assert.Throws<ArgumentException>(() => Figures.With(1, "furlong", UnitSystem.Metric));

    [Fact]
    public void A_force_that_hands_can_feel_says_how_much_would_hang_so_hard()
    {
        Assert.Equal(" (about 49 kg)", Figures.AboutKilograms(485, UnitSystem.Metric));
        Assert.Equal("", Figures.AboutKilograms(1000, UnitSystem.Metric));
        Assert.Equal("", Figures.AboutKilograms(485, UnitSystem.Us));
    }

    [Fact]
    public void A_sentence_writes_its_figures_for_its_reader()
    {
        var (load, height) = (1987.95, 13.0);
        Assert.Equal("2 at 1.99 kN and 13 m", UnitSystem.Metric.Say($"{2} at {load:N} and {height:m}"));
        Assert.Equal("2 at 447 lbf and 42.7 ft", UnitSystem.Us.Say($"{2} at {load:N} and {height:m}"));
    }

    [Fact]
    public void Workings_show_a_figure_more_than_sentences_so_that_the_sum_can_be_done_again()
    {
        var analysis = Cases.Lime().Analysed();
        var hands = analysis.Workings!.Single(w => w.Id == "link.main.hands");
        Assert.Contains("471.6 N", hands.Substituted, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(1, "one")]
    [InlineData(9, "nine")]
    [InlineData(10, "10")]
    public void Small_counts_are_words(int number, string word) => Assert.Equal(word, Sentences.Count(number));

    [Fact]
    public void A_name_fits_its_place_in_a_sentence()
    {
        Assert.Equal("running bowline", "Running bowline".Uncapitalised());
        Assert.Equal("Running bowline", "running bowline".Capitalised());
        Assert.Equal("", "".Capitalised());
    }
}
