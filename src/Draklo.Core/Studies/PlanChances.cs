using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Studies;

/// <summary>A figure over all samples.</summary>
/// <param name="Low">One sample in twenty lies below it.</param>
/// <param name="High">One in twenty lies above it.</param>
public sealed record Quantiles(double Low, double Middle, double High);

/// <summary>How far one input alone moves the main line's hand force.</summary>
/// <param name="LowN">With the input at its low value, all others as planned.</param>
/// <param name="HighN">At its high value.</param>
/// <param name="Swing">Between the two, over the hand force as planned.</param>
public sealed record Influence(string Path, string Name, string Advice, double LowN, double HighN, double Swing);

/// <param name="Fails">Share of the samples in which the link fails, 0 to 1.</param>
public sealed record LinkChance(string LinkId, string Name, double Fails);

/// <summary>
/// What is not known carried through: the spread of tension and hand force, the chance that each link fails, and what
/// to measure better.
/// </summary>
/// <remarks>
/// Method M20. Every sample goes through the whole of the sums, without the site and the sentences. The same plan and seed give the same
/// answer.
/// </remarks>
public sealed record PlanChances
{
    /// <summary>How many plans were drawn, 1 or more.</summary>
    public required int Samples { get; init; }

    /// <summary>The same seed draws the same plans.</summary>
    public required int Seed { get; init; }

    /// <summary>Samples that could not be worked out, as a line that loses its arm; they count in no figure.</summary>
    public required int Refused { get; init; }

    public required Quantiles NeededTensionN { get; init; }

    public required Quantiles HandForceN { get; init; }

    /// <summary>Share of the samples that need more than this plan's tension, which stays what it is, 0 to 1.</summary>
    public required double NotEnough { get; init; }

    /// <summary>The strongest first.</summary>
    public required IReadOnlyList<Influence> Influences { get; init; }

    /// <summary>Those that fail in some sample, the likeliest first.</summary>
    public required IReadOnlyList<LinkChance> Links { get; init; }

    public required string Text { get; init; }

    public const int Most = 20_000;
    public const int Fewest = 50;

    public static (PlanChances? Chances, List<Problem> Problems) Of(
        Plan plan,
        int samples,
        int seed,
        UnitSystem units,
        CancellationToken cancellation = default
    )
    {
        var outcome = PlanAnalysis.Of(plan, units, withWorkings: false);
        if (outcome.Analysis is not { } planned)
        {
            return (null, [.. outcome.Problems]);
        }

        // What stands about the tree takes most of the time and moves none of these figures.
        var inputs = UncertainInput.Of(plan);
        var bare = plan.WithoutSite();
        var system = TackleSystems.Of(plan.Lines[0].Tackle);
        var contact = ContactKind.Of(plan.Lines[0].Tackle.ContactId, plan.Lines[0].Tackle.Passes);
        var drawn = LatinHypercube.Of(inputs.Count + 1, samples, seed);
        var needed = new double[samples];
        var hands = new double[samples];
        var fails = new int[planned.Links.Count];
        Cores.Share(
            samples,
            16,
            (from, to) =>
            {
                for (var s = from; s < to; s++)
                {
                    Sample(s);
                }
            },
            cancellation
        );
        var good = Enumerable.Range(0, samples).Where(s => !double.IsNaN(needed[s])).ToArray();
        if (good.Length == 0)
        {
            return (
                null,
                [
                    new(
                        "samples",
                        "None of the samples could be worked out: the plan stands at the edge of what a line can do. Move the anchor out or the seat up."
                    ),
                ]
            );
        }

        var influences = InfluencesOf(bare, planned, inputs, system, contact, units);
        var links = planned
            .Links.Select((l, i) => new LinkChance(l.Id, l.Name, (double)fails[i] / good.Length))
            .Where(l => l.Fails > 0)
            .OrderByDescending(l => l.Fails)
            .ToList();
        var tension = QuantilesOf(good.Select(s => needed[s]));
        var hand = QuantilesOf(good.Select(s => hands[s]));
        var notEnough = (double)good.Count(s => needed[s] > planned.Pull.PlannedTensionN) / good.Length;
        var first = influences[0];
        var text = units.Say(
            $"Nine times in ten the main line needs {tension.Low:N} to {tension.High:N} and the hands {hand.Low:N} to {hand.High:N}. Measure {first.Name} better: alone it moves the hand force from {Math.Min(first.LowN, first.HighN):N} to {Math.Max(first.LowN, first.HighN):N}."
        );
        return (
            new()
            {
                Samples = samples,
                Seed = seed,
                Refused = samples - good.Length,
                NeededTensionN = tension,
                HandForceN = hand,
                NotEnough = notEnough,
                Influences = influences,
                Links = links,
                Text = text,
            },
            []
        );

        void Sample(int s)
        {
            var moved = bare;
            for (var i = 0; i < inputs.Count; i++)
            {
                moved = inputs[i].Moved(moved, drawn[s][i]);
            }

            if (SampledPlan.Checked(moved, units) is not { } found)
            {
                needed[s] = double.NaN;
                return;
            }

            needed[s] = found.Pull.Needed;
            hands[s] = found.Results[0].EndTensionN / AdvantageAt(system, Turns.Of(contact, drawn[s][^1]));
            for (var l = 0; l < fails.Length; l++)
            {
                if (found.Path.Links[l].State == LinkState.Fails)
                {
                    Interlocked.Increment(ref fails[l]);
                }
            }
        }
    }

    private static List<Influence> InfluencesOf(
        Plan bare,
        Analysis planned,
        IReadOnlyList<UncertainInput> inputs,
        TackleSystem system,
        ContactKind contact,
        UnitSystem units
    )
    {
        var hand = planned.Pull.Lines[0].Tackle.HandForceN;
        var end = planned.Pull.Lines[0].EndTensionN;
        var found = new List<Influence>();
        foreach (var input in inputs)
        {
            found.Add(Made(input.Path, input.Name, input.Advice, HandAt(input, -1), HandAt(input, 1)));
        }

        if (system.Solve(new(1, 1)).IdealAdvantage > 1)
        {
            found.Add(
                Made(
                    "lines[0].tackle.contactId",
                    "the friction at the turns",
                    "Pull a known weight through the tackle once.",
                    end / AdvantageAt(system, Turns.Of(contact, 1)),
                    end / AdvantageAt(system, Turns.Of(contact, -1))
                )
            );
        }

        return [.. found.OrderByDescending(i => i.Swing)];

        double HandAt(UncertainInput input, double u) =>
            SampledPlan.Checked(input.Moved(bare, u), units)?.Results[0].Tackle.HandForceN ?? hand;

        Influence Made(string path, string name, string advice, double low, double high) =>
            new(path, name, advice, low, high, hand > 0 ? Math.Abs(high - low) / hand : 0);
    }

    /// <summary>Not remembered as the named systems' solutions are: a sample's efficiency never comes again.</summary>
    private static double AdvantageAt(TackleSystem system, Turns turns) =>
        TackleSolver.Solve(system.Rove(turns)).Solution!.ActualAdvantage;

    private static Quantiles QuantilesOf(IEnumerable<double> values)
    {
        var sorted = values.Order().ToArray();
        return new(At(0.05), At(0.5), At(0.95));

        double At(double share) => sorted[Math.Min(sorted.Length - 1, (int)(share * sorted.Length))];
    }
}
