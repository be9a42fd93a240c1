using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Units;

namespace Draklo.Core.Learning;

/// <summary>What a trial found.</summary>
/// <param name="Value">Degrees, a share, a coefficient, newtons or metres; null while nothing is found.</param>
/// <param name="Subject">What it is of: species, turn, hitch, person; empty for a drum.</param>
/// <param name="Words">One sentence.</param>
/// <param name="Nearest">Whose guess came nearest; empty without guesses or result.</param>
/// <param name="Counts">Whether it says something of its subject: it is finished, and nothing else ended it.</param>
public sealed record TrialResult(double? Value, string Subject, string Words, string Nearest, bool Counts)
{
    /// <summary>A notch that closes within so many degrees of where the hinge broke broke it.</summary>
    private const double NotchClosesWithin = 2;

    /// <remarks>
    /// Method M23. A weight pulled up and let down over one turn gives the share without being weighed: up = W / η,
    /// down = W · η, so η² = down / up; over less than half a turn what slides is brought to half a turn by η^(π/φ). On a
    /// drum up = W · e^a and down = W / e^a with a = 2π · μ · turns, so μ = ln(up / down) / (4π · turns).
    /// </remarks>
    public static TrialResult Of(Trial trial, UnitSystem units)
    {
        var value = trial.Kind switch
        {
            TrialKind.Hinge => BrokeAt(trial),
            TrialKind.Friction => trial.DrumTurns is null ? PassesAtHalfTurn(trial) : DrumFriction(trial),
            TrialKind.Grip => Least(trial.Readings.Select(r => r.ReadN)),
            TrialKind.Pull => Mean(trial.Readings.Select(r => r.ReadN)),
            TrialKind.Throw => Most(trial.Readings.Select(r => r.HeightM)),
        };
        return new(
            value,
            SubjectOf(trial),
            WordsOf(trial, value, units),
            NearestOf(trial, value),
            value is not null && trial is { Finished: true, GivenUp: null } && !NotchClosed(trial, value)
        );
    }

    private static string SubjectOf(Trial trial) =>
        trial.Kind switch
        {
            TrialKind.Hinge => Reference.Species.GetValueOrDefault(trial.SpeciesId ?? "")?.Name,
            TrialKind.Friction when trial.DrumTurns is null => Reference
                .Contacts.GetValueOrDefault(trial.ContactId ?? "")
                ?.Name,
            TrialKind.Friction => "Drum",
            TrialKind.Grip => Reference.Grips.GetValueOrDefault(trial.GripId ?? "")?.ShortName,
            TrialKind.Pull or TrialKind.Throw => trial.Person,
        } ?? "";

    /// <summary>A hinge that breaks as its notch closes says how far the notch opened, and nothing of the wood.</summary>
    private static bool NotchClosed(Trial trial, double? brokeDeg) =>
        trial is { Kind: TrialKind.Hinge, NotchDeg: { } opens } && brokeDeg >= opens - NotchClosesWithin;

    private static double? BrokeAt(Trial trial) => trial.Readings.FirstOrDefault(r => r.Broke)?.LeanDeg;

    private static double? PassesAtHalfTurn(Trial trial)
    {
        if (MeanRatio(trial) is not { } ratio)
        {
            return null;
        }

        var passes = Math.Sqrt(ratio);
        var turned = Angle.Radians(trial.TurnedDeg);
        return trial.ContactId is { } id && Reference.Contacts.TryGetValue(id, out var kind) && kind.BuiltOf == "block"
            ? 1 - ((1 - passes) / Math.Sin(turned / 2))
            : Math.Pow(passes, Math.PI / turned);
    }

    private static double? DrumFriction(Trial trial) =>
        MeanRatio(trial) is { } ratio ? -Math.Log(ratio) / (4 * Math.PI * trial.DrumTurns!.Value) : null;

    /// <summary>Down over up, over all pairs of readings; null without a pair.</summary>
    private static double? MeanRatio(Trial trial)
    {
        var logs = trial
            .Readings.Where(r => r is { UpN: > 0, DownN: > 0 } && r.DownN < r.UpN)
            .Select(r => Math.Log(r.DownN!.Value / r.UpN!.Value))
            .ToList();
        return logs.Count == 0 ? null : Math.Exp(logs.Average());
    }

    private static double? Least(IEnumerable<double?> values) => values.Min();

    private static double? Most(IEnumerable<double?> values) => values.Max();

    private static double? Mean(IEnumerable<double?> values) => values.Average();

    private static string WordsOf(Trial trial, double? value, UnitSystem units) =>
        (trial.Kind, value) switch
        {
            (_, null) => trial.GivenUp is { Length: > 0 } why ? $"Given up: {why}" : "Nothing found yet.",
            (TrialKind.Hinge, { } deg) when NotchClosed(trial, deg) => units.Say(
                $"The hinge broke at {deg:deg}, as the notch closed: that says nothing of the wood."
            ),
            (TrialKind.Hinge, { } deg) => units.Say($"The hinge broke at {deg:deg}."),
            (TrialKind.Friction, { } share) when trial.DrumTurns is null => units.Say(
                $"A half turn passes on {share:%} of the tension."
            ),
            (TrialKind.Friction, { } mu) => $"Friction on the drum: {Figures.Plain(mu, 2)}.",
            (TrialKind.Grip, { } n) => units.Say($"It began to creep at {n:N}."),
            (TrialKind.Pull, { } n) => units.Say($"Kept up {n:N}."),
            (_, { } m) => units.Say($"The line came over at {m:m}."),
        };

    private static string NearestOf(Trial trial, double? value) =>
        value is { } found && trial.Guesses.Count > 0 ? trial.Guesses.MinBy(g => Math.Abs(g.Value - found))!.Name : "";
}
