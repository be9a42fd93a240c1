using System.Runtime.CompilerServices;
using System.Text.Json;
using Draklo.Core.Analyses;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Microsoft.AspNetCore.SignalR;

namespace Draklo.Web.Outside;

/// <param name="AtSeconds">Since the stream began.</param>
/// <param name="TensionN">In the line at the tree, 0 or more.</param>
/// <param name="Phase">What the hauling is at, where the cell can tell; only a simulated one can.</param>
public sealed record LoadReading(double AtSeconds, double TensionN, LoadPhase Phase);

public enum LoadPhase
{
    Slack,
    PreTension,
    Hold,
    Pull,
    Gone,
}

/// <summary>What a load cell in a line gets of the plan; a real one needs none of it.</summary>
/// <param name="FloorN">Least pre-tension of this line, N.</param>
/// <param name="CeilingN">Most, N.</param>
/// <param name="PlannedN">Planned tension of this line, N.</param>
public sealed record LoadScene(double FloorN, double CeilingN, double PlannedN);

/// <summary>A load cell in a line.</summary>
/// <remarks>A real one takes the place of the simulated one by being registered instead of it.</remarks>
public interface ILoadCell
{
    string Name { get; }

    /// <summary>Readings as they come, until nobody listens any more or the line goes slack for good.</summary>
    IAsyncEnumerable<LoadReading> ReadAsync(LoadScene scene, CancellationToken cancellation);
}

/// <summary>
/// A load cell that sees a crew take up slack, pre-tension, hold while the cuts are made, pull in heaves, and the tree
/// go.
/// </summary>
public sealed class SimulatedLoadCell(TimeProvider clock) : ILoadCell
{
    public const double SlackUntil = 2;
    public const double PreTensionUntil = 8;
    public const double HoldUntil = 16;
    public const double PullUntil = 26;
    public const double Ends = 32;
    private const double Noise = 0.012;
    private static readonly TimeSpan Every = TimeSpan.FromMilliseconds(100);

    public string Name => "Simulated load cell";

    public async IAsyncEnumerable<LoadReading> ReadAsync(
        LoadScene scene,
        [EnumeratorCancellation] CancellationToken cancellation
    )
    {
        using var timer = new PeriodicTimer(Every, clock);
        var chance = new Random(7);
        for (double at = 0; at <= Ends; at += Every.TotalSeconds)
        {
            var (tension, phase) = At(scene, at);
            var read = tension * (1 + (Noise * ((2 * chance.NextDouble()) - 1)));
            yield return new(Math.Round(at, 2), Math.Round(Math.Max(0, read), 1), phase);
            if (!await timer.WaitForNextTickAsync(cancellation))
            {
                yield break;
            }
        }
    }

    /// <summary>
    /// The tension at a time, without noise. Rope creeps while it is held, so the tension settles; people pull in
    /// heaves.
    /// </summary>
    public static (double Tension, LoadPhase Phase) At(LoadScene scene, double seconds)
    {
        var highest = Math.Max(scene.FloorN, Math.Min(scene.CeilingN, scene.PlannedN));
        var wanted = scene.FloorN + (0.6 * (highest - scene.FloorN));
        switch (seconds)
        {
            case < SlackUntil:
                return (0.01 * scene.PlannedN * seconds / SlackUntil, LoadPhase.Slack);
            case < PreTensionUntil:
                var share = (seconds - SlackUntil) / (PreTensionUntil - SlackUntil);
                return (Heaved(wanted * 1.04 * share, seconds, 0.08 * share), LoadPhase.PreTension);
            case < HoldUntil:
                return (wanted * (1.04 - (0.06 * (1 - Math.Exp(-(seconds - PreTensionUntil) / 3)))), LoadPhase.Hold);
            case < PullUntil:
                var up = Math.Min(1, (seconds - HoldUntil) / 3);
                // Past the middle the tree comes, and asks for less and less.
                var eases = Math.Max(0, (seconds - HoldUntil - 4) / (PullUntil - HoldUntil - 4));
                var level = wanted + ((scene.PlannedN - wanted) * up);
                return (Heaved(level * (1 - (0.85 * eases)), seconds, 0.07), LoadPhase.Pull);
            default:
                return (scene.PlannedN * 0.1 * Math.Exp(-(seconds - PullUntil) * 2), LoadPhase.Gone);
        }
    }

    private static double Heaved(double level, double seconds, double share) =>
        level * (1 + (share * Math.Sin(2 * Math.PI * 0.7 * seconds)));
}

/// <summary>Live readings over SignalR.</summary>
internal sealed class LoadHub(ILoadCell cell) : Hub
{
    public const string Path = "/hubs/load";

    public string CellName() => cell.Name;

    /// <summary>The readings of a line's load cell.</summary>
    /// <param name="plan">A plan document.</param>
    /// <param name="line">Number of the line, from 0.</param>
    /// <exception cref="HubException">The plan cannot be computed, or has no such line; the message says
    /// why.</exception>
    public IAsyncEnumerable<LoadReading> Watch(JsonElement plan, int line, CancellationToken cancellation)
    {
        var (document, problems) = DocumentReader.Read<Plan>(plan);
        var outcome = document is null ? null : PlanAnalysis.Of(document, UnitSystem.Metric, withWorkings: false);
        if (outcome?.Analysis is not { } analysis)
        {
            throw new HubException((outcome?.Problems ?? problems)[0].Message);
        }

        if (line < 0 || line >= analysis.Pull.Lines.Count)
        {
            throw new HubException($"This plan has no line number {line + 1}.");
        }

        var share = document!.Lines[line].Share;
        return cell.ReadAsync(
            new(
                share * analysis.Pretension.FloorN,
                share * analysis.Pretension.CeilingN,
                analysis.Pull.Lines[line].TensionN
            ),
            cancellation
        );
    }
}
