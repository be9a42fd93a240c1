using Draklo.Core.Units;

namespace Draklo.Core.Practice;

/// <summary>Makes cards: fresh numbers each time, answers worked out by the same core as a plan.</summary>
public static class PracticeCards
{
    /// <param name="seed">Any; the same one makes the same card.</param>
    public static SolvedCard Make(PracticeTopic topic, int seed, UnitSystem units)
    {
        var chance = new Chance(seed, topic);
        return topic switch
        {
            PracticeTopic.LeanFromTwoViews => TreeCards.LeanFromTwoViews(chance, units),
            PracticeTopic.WhatAGustDoes => TreeCards.WhatAGustDoes(chance, units),
            PracticeTopic.WhereTheTipLands => TreeCards.WhereTheTipLands(chance, units),
            PracticeTopic.HowFarAHingeHolds => TreeCards.HowFarAHingeHolds(chance, units),
            PracticeTopic.WhatAnAngleKeeps => RopeCards.WhatAnAngleKeeps(chance, units),
            PracticeTopic.CountingLegs => RopeCards.CountingLegs(chance, units),
            PracticeTopic.AdvantageAfterFriction => RopeCards.AdvantageAfterFriction(chance, units),
            PracticeTopic.HandForce => RopeCards.HandForce(chance, units),
            PracticeTopic.TurnsOnADrum => RopeCards.TurnsOnADrum(chance, units),
            PracticeTopic.ForceOnARedirect => RopeCards.ForceOnARedirect(chance, units),
            PracticeTopic.KnotInOrder => PlanCards.KnotInOrder(chance),
            PracticeTopic.WeakestLink => PlanCards.WeakestLink(chance, units),
            PracticeTopic.WhichAnchor => PlanCards.WhichAnchor(chance, units),
            PracticeTopic.FaultInAPlan => PlanCards.FaultInAPlan(chance, units),
        };
    }
}

/// <summary>Numbers of one card.</summary>
internal sealed class Chance(int seed, PracticeTopic topic)
{
    /// <summary>Of this card alone.</summary>
    public Random Random { get; } = new((seed * 31) + (int)topic);

    /// <summary>The same seed deals the same cards.</summary>
    public int Seed => seed;

    public PracticeTopic Topic => topic;

    /// <summary>A figure between two, in steps.</summary>
    public double Between(double low, double high, double step) =>
        Math.Round(low + (Random.Next((int)Math.Round((high - low) / step) + 1) * step), 6);

    /// <summary>A whole number from <paramref name="low"/> to <paramref name="high"/>, both included.</summary>
    public int Whole(int low, int high) => Random.Next(low, high + 1);

    public SolvedCard Number(
        string question,
        IReadOnlyList<CardFact> facts,
        string quantity,
        double value,
        string words,
        IReadOnlyList<string> workings,
        CardPicture? picture = null
    ) =>
        new(
            new(topic, seed, question, facts, AnswerKind.Number, quantity, [], picture),
            new(value, null, [], words, workings)
        );

    /// <param name="choices">The right one first; they are shuffled here.</param>
    public SolvedCard Choice(
        string question,
        IReadOnlyList<CardFact> facts,
        IReadOnlyList<string> choices,
        string words,
        IReadOnlyList<string> workings,
        CardPicture? picture = null
    )
    {
        var shuffled = Random.Shuffled(choices);
        return new(
            new(topic, seed, question, facts, AnswerKind.Choice, null, shuffled, picture),
            new(null, shuffled.IndexOf(choices[0]), [], words, workings)
        );
    }
}
