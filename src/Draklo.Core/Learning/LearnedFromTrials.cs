using Draklo.Core.Catalogue;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Learning;

/// <summary>What trials say: hinges, turns, drum, grips, people and throws.</summary>
internal static class LearnedFromTrials
{
    private const double LeastHold = 1;
    private const double MostHold = 120;
    private const double LeastPass = 0.05;
    private const double MostPass = 0.995;

    public static IEnumerable<LearnedFigure> All(IReadOnlyList<FinishedTrial> trials) =>
        By(trials, TrialKind.Hinge, t => t.SpeciesId, Hold)
            .Concat(By(trials, TrialKind.Friction, t => t.DrumTurns is null ? t.ContactId : null, Turn))
            .Concat(By(trials, TrialKind.Friction, t => t.DrumTurns is null ? null : "", Drum))
            .Concat(By(trials, TrialKind.Grip, t => t.GripId, Grip))
            .Concat(By(trials, TrialKind.Pull, _ => "", Haul))
            .Concat(By(trials, TrialKind.Throw, t => t.Way is { } way ? NameOf(way) : null, Throw));

    /// <summary>A way as ids have it.</summary>
    public static string NameOf(SettingWay way) => char.ToLowerInvariant($"{way}"[0]) + $"{way}"[1..];

    /// <param name="subject">What a trial is of; null where it is not of this figure.</param>
    private static IEnumerable<LearnedFigure> By(
        IEnumerable<FinishedTrial> trials,
        TrialKind kind,
        Func<Trial, string?> subject,
        Func<string, Evidence, LearnedFigure> make
    ) =>
        trials
            .Where(t => t.Trial.Kind == kind && subject(t.Trial) is not null)
            .GroupBy(t => subject(t.Trial)!, StringComparer.Ordinal)
            .Select(g => make(g.Key, Evidence.OfTrials(kind == TrialKind.Throw ? "throws" : "trials", g)));

    private static LearnedFigure Hold(string speciesId, Evidence on)
    {
        var species = Reference.Species[speciesId];
        var next = on.NextOff();
        return Learned.Figure(
            LearnedKind.Hold,
            speciesId,
            "",
            $"Hinge lets go: {species.Name}",
            "deg",
            on,
            Within(on.Mean, next, LeastHold, MostHold),
            Hinge.WoodDeg(species.HingeClass),
            on.Count >= OwnFigure.HingeTrials
                ? (true, "It stands in place of the wood's angle for its class.")
                : (false, $"It may stand in a plan from {OwnFigure.HingeTrials} trials on."),
            (LeastHold, MostHold)
        );
    }

    private static LearnedFigure Turn(string contactId, Evidence on)
    {
        var kind = Reference.Contacts[contactId];
        var table = new Spread(kind.Low, kind.Nominal, kind.High);
        var careful = on.Mean <= table.Nominal;
        return Learned.Figure(
            LearnedKind.Turn,
            contactId,
            "",
            $"A half turn passes on: {kind.Name.Uncapitalised()}",
            "share",
            on,
            on.Beside(Within(Math.Round(on.Mean, 3), on.NextOff(), LeastPass, MostPass), table),
            table,
            on.Judged(careful, careful ? "It asks more of the hands." : "It asks less of the hands."),
            (LeastPass, MostPass)
        );
    }

    private static LearnedFigure Drum(string _, Evidence on)
    {
        var usual = new LimiterMembers();
        var table = new Spread(usual.FrictionLow, usual.Friction, usual.FrictionHigh);
        var careful = on.Mean >= table.Nominal;
        return Learned.Figure(
            LearnedKind.Drum,
            "",
            "",
            "Friction of rope on the drum",
            "friction",
            on,
            on.Beside(Within(Math.Round(on.Mean, 3), on.NextOff(), 0.05, 0.6), table),
            table,
            on.Judged(
                careful,
                careful ? "It slips later than the table says." : "It slips earlier than the table says."
            ),
            (0.05, 0.6)
        );
    }

    private static LearnedFigure Grip(string gripId, Evidence on)
    {
        var kind = Reference.Grips[gripId];
        return AtLeast(
            LearnedKind.Grip,
            gripId,
            $"Begins to creep: {kind.ShortName}",
            on,
            kind.SlipLowN,
            (500, 60_000)
        );
    }

    private static LearnedFigure Haul(string _, Evidence on) =>
        AtLeast(LearnedKind.Haul, "", "What each keeps up on the rope", on, new PullerMembers().EffortEachN, (50, 600));

    private static LearnedFigure Throw(string way, Evidence on)
    {
        var table = LineSetting.Usual(Enum.Parse<SettingWay>(way, ignoreCase: true));
        var best = Math.Round(on.Values.Max(), 1);
        var careful = best <= table.High;
        return Learned.Figure(
            LearnedKind.Throw,
            way,
            "",
            $"Highest seat reached: {WayWords(way)}",
            "m",
            on,
            new(on.Values.Min(), best, best),
            table,
            on.Judged(careful, careful ? "It reaches no higher than the table." : "It reaches higher than the table."),
            (2, 60)
        );
    }

    /// <summary>A force of which more is bolder: what nineteen in twenty come to.</summary>
    private static LearnedFigure AtLeast(
        LearnedKind kind,
        string subject,
        string name,
        Evidence on,
        double table,
        (double Least, double Most) takes
    )
    {
        var value = Math.Round(Math.Max(on.Values.Min() / 2, on.Mean - on.NextOff()));
        var careful = value <= table;
        return Learned.Figure(
            kind,
            subject,
            "",
            name,
            "N",
            on,
            new(value, value, on.Mean),
            new(table, table, table),
            on.Judged(careful, careful ? "It allows less than the table." : "It allows more than the table."),
            takes
        );
    }

    private static Spread Within(double mean, double off, double least, double most) =>
        new(
            Math.Clamp(mean - off, Math.Min(least, mean), mean),
            mean,
            Math.Clamp(mean + off, mean, Math.Max(most, mean))
        );

    private static string WayWords(string way) =>
        way switch
        {
            "twoHands" => "thrown with both hands",
            "hand" => "thrown with one hand",
            _ => way,
        };
}
