using Draklo.Core.Practice;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>Cards: fresh, fair, and answered as an independent sum answers them.</summary>
public sealed class PracticeTests
{
    public static TheoryData<PracticeTopic> Topics => [.. Enum.GetValues<PracticeTopic>()];

    [Theory]
    [MemberData(nameof(Topics))]
    public void Every_card_can_be_answered_and_no_two_seeds_are_alike(PracticeTopic topic)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal);
        for (var seed = 1; seed <= 60; seed++)
        {
            var solved = PracticeCards.Make(topic, seed, seed % 2 == 0 ? UnitSystem.Metric : UnitSystem.Us);
            var (card, solution) = solved;
            seen.Add(
                string.Join('|', card.Facts.Select(f => f.Text)) + string.Join('|', card.Choices) + solution.Value
            );
            Assert.NotEmpty(card.Question);
            Assert.NotEmpty(solution.Words);
            Assert.NotEmpty(solution.Workings);
            var (right, problem) = CardMark.Of(solved, solution.Value, solution.Index, solution.Order);
            Assert.Null(problem);
            Assert.Equal(Mark.Right, right!.Mark);
            if (card.Kind == AnswerKind.Number)
            {
                Assert.True(solution.Value > 0 && double.IsFinite(solution.Value.Value), $"{topic} {seed}");
                Assert.Equal(Mark.Wrong, CardMark.Of(solved, solution.Value * 1.6, null, null).Mark!.Mark);
                Assert.Equal(Mark.Near, CardMark.Of(solved, solution.Value * 1.2, null, null).Mark!.Mark);
            }
            else
            {
                Assert.InRange(card.Choices.Count, 2, 6);
                Assert.Equal(card.Choices.Count, card.Choices.Distinct(StringComparer.Ordinal).Count());
            }
        }

        Assert.True(seen.Count > 20, $"{topic}: {seen.Count} of 60");
    }

    [Fact]
    public void The_same_seed_is_the_same_card()
    {
        foreach (var topic in Enum.GetValues<PracticeTopic>())
        {
            var (one, two) = (
                PracticeCards.Make(topic, 7, UnitSystem.Metric),
                PracticeCards.Make(topic, 7, UnitSystem.Metric)
            );
            Assert.Equal(one.Card.Facts, two.Card.Facts);
            Assert.Equal(one.Card.Choices, two.Card.Choices);
            Assert.Equal(one.Solution.Value, two.Solution.Value);
        }
    }

    [Fact]
    public void Sums_on_paper_agree()
    {
        for (var seed = 1; seed < 40; seed++)
        {
            var lean = PracticeCards.Make(PracticeTopic.LeanFromTwoViews, seed, UnitSystem.Metric);
            var (a, b) = (Rad(lean.Card.Picture!.Figures["a"]), Rad(lean.Card.Picture.Figures["b"]));
            // The tree's own line, one metre up: as far east and north as each view shows.
            var aside = Math.Sqrt((Math.Tan(a) * Math.Tan(a)) + (Math.Tan(b) * Math.Tan(b)));
            Cases.Near(Math.Atan2(aside, 1) * 180 / Math.PI, lean.Solution.Value!.Value, 1e-9);

            var redirect = PracticeCards.Make(PracticeTopic.ForceOnARedirect, seed, UnitSystem.Us);
            var half = Rad(redirect.Card.Picture!.Figures["deg"]) / 2;
            var perNewton = 2 * Math.Cos(half);
            Assert.InRange(redirect.Solution.Value!.Value / perNewton, 999, 4001);

            var angle = PracticeCards.Make(PracticeTopic.WhatAnAngleKeeps, seed, UnitSystem.Metric);
            Cases.Near(
                100 * Math.Sin((Math.PI / 2) - Rad(angle.Card.Picture!.Figures["deg"])),
                angle.Solution.Value!.Value,
                1e-9
            );
        }

        static double Rad(double deg) => deg * Math.PI / 180;
    }

    [Fact]
    public void Answers_that_are_none_are_told()
    {
        var number = PracticeCards.Make(PracticeTopic.HandForce, 1, UnitSystem.Metric);
        Assert.Equal("value", CardMark.Of(number, null, null, null).Problem!.Path);
        Assert.Equal("value", CardMark.Of(number, double.NaN, null, null).Problem!.Path);
        var choice = PracticeCards.Make(PracticeTopic.WhichAnchor, 1, UnitSystem.Metric);
        Assert.Equal("index", CardMark.Of(choice, null, 99, null).Problem!.Path);
        var order = PracticeCards.Make(PracticeTopic.KnotInOrder, 1, UnitSystem.Metric);
        Assert.Equal("order", CardMark.Of(order, null, null, [0, 0, 0]).Problem!.Path);
        var swapped = order.Solution.Order.ToArray();
        (swapped[0], swapped[1]) = (swapped[1], swapped[0]);
        Assert.Equal(Mark.Near, CardMark.Of(order, null, null, swapped).Mark!.Mark);
    }

    [Fact]
    public void A_record_sends_one_to_what_was_not_tried_and_then_to_what_is_least_sure()
    {
        var first = PracticeRecord.Of("Bo", []);
        Assert.Equal(PracticeTopic.LeanFromTwoViews, first.Next);
        var all = Enum.GetValues<PracticeTopic>()
            .Select(t => new PracticeAnswer("Bo", t, 1, t == PracticeTopic.HandForce ? Mark.Wrong : Mark.Right, "now"))
            .ToList();
        Assert.Equal(PracticeTopic.HandForce, PracticeRecord.Of("Bo", all).Next);
        // Five right answers later the wrong one is forgotten.
        all.AddRange(
            Enumerable.Range(2, 5).Select(s => new PracticeAnswer("Bo", PracticeTopic.HandForce, s, Mark.Right, "now"))
        );
        Assert.Equal(1, PracticeRecord.Of("Bo", all).Topics.Single(t => t.Topic == PracticeTopic.HandForce).Recent);
    }
}
