using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Practice;

/// <summary>Cards about lines and tackles.</summary>
internal static class RopeCards
{
    private static readonly string[] Blocks = ["ball-bearing-block", "bushed-block", "small-pulley"];

    /// <summary>Systems whose legs can be counted in a drawing.</summary>
    private static IReadOnlyList<TackleSystem> Countable { get; } =
    [.. TackleSystems.All.Where(s => s.Id != TackleSystems.DirectId && s.Id != "three-to-one-rope-loop")];

    public static SolvedCard WhatAnAngleKeeps(Chance chance, UnitSystem units)
    {
        var angle = chance.Between(12, 68, 1);
        var keeps = Math.Cos(Angle.Radians(angle));
        return chance.Number(
            "A line runs down from its seat at this angle below level. What part of the pull tips the tree, in per cent?",
            [new("Below level", units.Say($"{angle:deg}"))],
            "%",
            keeps * 100,
            units.Say($"{keeps:%}; the rest presses down the stem."),
            ["level part = cos(angle)  (M4)", units.Say($"cos {angle:deg} = {keeps:x}")],
            new("line", TreeCards.Figures(("deg", angle)))
        );
    }

    public static SolvedCard CountingLegs(Chance chance, UnitSystem units)
    {
        var system = chance.Random.One(Countable);
        var ideal = system.Solve(new(1, 1)).ActualAdvantage;
        var hands = chance.Between(200, 700, 10);
        return chance.Number(
            "Without friction: what does this tackle put on the line at the tree?",
            [new("The hands pull", units.Say($"{hands:N}"))],
            "N",
            ideal * hands,
            units.Say($"{ideal * hands:N}: {ideal:x} times the hands."),
            [
                "Every moving point is in balance: count the legs that pull on what moves, and follow each rope (M7).",
                system.PeopleSay ?? "A turn at a fixed point changes the way of the pull, never its force.",
            ],
            new("tackle", TreeCards.Figures(), system.Shape)
        );
    }

    public static SolvedCard AdvantageAfterFriction(Chance chance, UnitSystem units)
    {
        var system = chance.Random.One(Countable);
        var contact = Reference.Contacts[chance.Random.One(Blocks)];
        var solved = system.Solve(Turns.Usual(contact));
        var ideal = system.Solve(new(1, 1)).ActualAdvantage;
        return chance.Number(
            "What does this tackle give after friction, times the pull of the hands?",
            [
                new("Tackle", system.Name),
                new("Turns", units.Say($"{contact.Name.Uncapitalised()}, each passes on {contact.Nominal:%}")),
            ],
            "ratio",
            solved.ActualAdvantage,
            $"{Units.Figures.Plain(solved.ActualAdvantage, 3)} times, where {Units.Figures.Plain(ideal, 3)} are counted.",
            [
                "Follow the rope from the hands: each turn passes on its share; add the legs that pull on the load (M7).",
                .. solved.Legs.Select(l =>
                    $"{l.From} to {l.To}: {Units.Figures.Plain(l.Tension, 3)} of the hands' pull"
                ),
            ],
            new("tackle", TreeCards.Figures(), system.Shape)
        );
    }

    public static SolvedCard HandForce(Chance chance, UnitSystem units)
    {
        var system = chance.Random.One(Countable);
        var contact = Reference.Contacts[chance.Random.One(Blocks)];
        var advantage = system.Solve(Turns.Usual(contact)).ActualAdvantage;
        var people = chance.Whole(1, 4);
        var tension = chance.Between(800, 4000, 100);
        var each = tension / advantage / people;
        return chance.Number(
            "How hard must each of them pull?",
            [
                new("Line", units.Say($"{tension:N}")),
                new("Tackle", $"{system.Name}, gives {Units.Figures.Plain(advantage, 3)} times"),
                new("People", $"{people}"),
            ],
            "N",
            each,
            units.Say($"{each:N} each."),
            [
                "pull of each = tension / advantage / people",
                units.Say($"{tension:N} / {advantage:x} / {people} = {each:N}"),
            ],
            new("tackle", TreeCards.Figures(), system.Shape)
        );
    }

    public static SolvedCard TurnsOnADrum(Chance chance, UnitSystem units)
    {
        const double friction = 0.2;
        const double hold = 150;
        var needed = chance.Between(700, 5200, 100);
        var turns = Enumerable.Range(1, 5).First(n => Limiter.SlipsAt(hold, friction, n) >= needed);
        return chance.Choice(
            "What is the fewest whole turns round the drum that hold this line?",
            [
                new("Line", units.Say($"{needed:N}")),
                new("Hand on the tail", units.Say($"{hold:N}")),
                new("Friction", "0.2"),
            ],
            [
                Said(turns),
                .. new[] { turns - 1, turns + 1, turns + 2, turns - 2 }.Where(n => n > 0).Take(3).Select(Said),
            ],
            $"{Said(turns)}.",
            [
                "slips at hold · e^(2π · μ · turns)  (M14)",
                .. Enumerable
                    .Range(1, Math.Min(5, turns + 1))
                    .Select(n => units.Say($"{n}: {Limiter.SlipsAt(hold, friction, n):N}")),
            ]
        );

        static string Said(int turns) => turns == 1 ? "one turn" : $"{turns} turns";
    }

    public static SolvedCard ForceOnARedirect(Chance chance, UnitSystem units)
    {
        var tension = chance.Between(1000, 4000, 100);
        var between = chance.Between(20, 160, 10);
        var gamma = Angle.Radians(between);
        var force = tension * Math.Sqrt(2 + (2 * Math.Cos(gamma)));
        return chance.Number(
            "The line turns at a good block. What hangs on the block and its sling?",
            [
                new("Line", units.Say($"{tension:N} on both sides")),
                new("Between the legs", units.Say($"{between:deg}")),
            ],
            "N",
            force,
            units.Say($"{force:N}."),
            [
                "√(T1² + T2² + 2 · T1 · T2 · cos γ)  (M15)",
                units.Say($"{tension:N} · √(2 + 2 · cos {between:deg}) = {force:N}"),
            ],
            new("redirect", TreeCards.Figures(("deg", between)))
        );
    }
}
