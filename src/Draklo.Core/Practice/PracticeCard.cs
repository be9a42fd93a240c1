using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Practice;

/// <summary>What a card asks about.</summary>
public enum PracticeTopic
{
    LeanFromTwoViews,
    WhatAnAngleKeeps,
    CountingLegs,
    AdvantageAfterFriction,
    HandForce,
    TurnsOnADrum,
    WeakestLink,
    WhichAnchor,
    KnotInOrder,
    FaultInAPlan,
    WhereTheTipLands,
    WhatAGustDoes,
    ForceOnARedirect,
    HowFarAHingeHolds,
}

/// <summary>How a card is answered.</summary>
public enum AnswerKind
{
    /// <summary>A figure in the unit that it names.</summary>
    Number,

    /// <summary>One of the choices.</summary>
    Choice,

    /// <summary>The choices put in order.</summary>
    Order,
}

/// <summary>Something that the card tells.</summary>
public sealed record CardFact(string Name, string Text);

/// <summary>A small drawing that belongs to a card; figures in SI, degrees where a name says so.</summary>
/// <param name="Kind">views, line, tackle, redirect or landing.</param>
/// <param name="Tackle">The points and ropes of a tackle.</param>
public sealed record CardPicture(string Kind, IReadOnlyDictionary<string, double> Figures, Arrangement? Tackle = null);

/// <summary>A question of two minutes with fresh numbers.</summary>
/// <param name="Seed">The same topic and seed make the same card.</param>
/// <param name="Quantity">Of a number: N, m, deg, ratio or %, as it is typed and written.</param>
/// <param name="Choices">Of the other kinds; for an order as they were shuffled.</param>
public sealed record PracticeCard(
    PracticeTopic Topic,
    int Seed,
    string Question,
    IReadOnlyList<CardFact> Facts,
    AnswerKind Kind,
    string? Quantity,
    IReadOnlyList<string> Choices,
    CardPicture? Picture
);

/// <summary>A card with its solution, which is kept back until somebody has answered.</summary>
public sealed record SolvedCard(PracticeCard Card, CardSolution Solution);

/// <param name="Value">Of a number.</param>
/// <param name="Index">Of a choice: the right one.</param>
/// <param name="Order">Of an order: indices of the choices as they come one after another.</param>
/// <param name="Words">The answer in one sentence.</param>
/// <param name="Workings">How it comes about, line by line.</param>
public sealed record CardSolution(
    double? Value,
    int? Index,
    IReadOnlyList<int> Order,
    string Words,
    IReadOnlyList<string> Workings
);

public enum Mark
{
    Wrong,

    /// <summary>A figure within a quarter, an order with one pair changed over.</summary>
    Near,
    Right,
}

/// <summary>An answer looked at.</summary>
public sealed record CardMark(Mark Mark, string Words, IReadOnlyList<string> Workings)
{
    private const double RightWithin = 0.1;
    private const double NearWithin = 0.25;

    /// <returns>Null, and why, for an answer that is not valid.</returns>
    public static (CardMark? Mark, Problem? Problem) Of(
        SolvedCard solved,
        double? value,
        int? index,
        IReadOnlyList<int>? order
    )
    {
        var (card, solution) = solved;
        Mark? mark = null;
        Problem? problem = null;
        switch (card.Kind)
        {
            case AnswerKind.Number when value is { } number && double.IsFinite(number):
                var off = Math.Abs(number - solution.Value!.Value) / Math.Max(1e-9, Math.Abs(solution.Value.Value));
                mark =
                    off <= RightWithin ? Practice.Mark.Right
                    : off <= NearWithin ? Practice.Mark.Near
                    : Practice.Mark.Wrong;
                break;
            case AnswerKind.Number:
                problem = new("value", "Give a figure.");
                break;
            case AnswerKind.Choice when index is { } chosen && chosen >= 0 && chosen < card.Choices.Count:
                mark = chosen == solution.Index ? Practice.Mark.Right : Practice.Mark.Wrong;
                break;
            case AnswerKind.Choice:
                problem = new("index", "Choose one of the answers.");
                break;
            case AnswerKind.Order
                when order is not null && order.Order().SequenceEqual(Enumerable.Range(0, card.Choices.Count)):
                var wrong = order.Where((step, i) => solution.Order[i] != step).Count();
                mark =
                    wrong == 0 ? Practice.Mark.Right
                    : wrong == 2 ? Practice.Mark.Near
                    : Practice.Mark.Wrong;
                break;
            default:
                problem = new("order", "Put every step in its place.");
                break;
        }

        return mark is { } found ? (new(found, solution.Words, solution.Workings), null) : (null, problem);
    }
}
