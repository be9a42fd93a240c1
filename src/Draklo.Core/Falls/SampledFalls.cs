using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Studies;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Falls;

/// <summary>The fall over samples of what is not known: tree, hinge, aim and hauling.</summary>
/// <remarks>
/// Methods M16 and M20. Beside the inputs of the tension: the hinge's hold between its low and its high, the aim by the
/// aiming error, the hauling from half to twice as fast. The same plan gives the same answer.
/// </remarks>
internal sealed record SampledFalls(
    FallSpread Spread,
    IReadOnlyList<TargetTouch> Touches,
    IReadOnlyList<Landing> Landings
)
{
    private const int Seed = 16;

    /// <param name="aimDeg">Of the hinge off the lay, as it is cut.</param>
    public static SampledFalls? Of(
        Plan plan,
        double aimDeg,
        FallAsk ask,
        UnitSystem units,
        CancellationToken cancellation
    )
    {
        var inputs = UncertainInput.Of(plan);
        var bare = Fall.AimedAt(plan.WithoutSite(), aimDeg);
        var drawn = LatinHypercube.Of(inputs.Count + 3, ask.Samples, Seed);
        var landings = new Landing?[ask.Samples];
        var seconds = new double[ask.Samples];
        Cores.Share(
            ask.Samples,
            16,
            (from, to) =>
            {
                for (var s = from; s < to; s++)
                {
                    (landings[s], seconds[s]) = Sample(drawn[s]);
                }
            },
            cancellation
        );
        var good = Enumerable.Range(0, ask.Samples).Where(s => landings[s] is not null).ToArray();
        return good.Length == 0
            ? null
            : new(
                new(
                    Units.Spread.OfSamples(good.Select(s => landings[s]!.ForwardM)),
                    Units.Spread.OfSamples(good.Select(s => landings[s]!.RightM)),
                    Units.Spread.OfSamples(good.Select(s => seconds[s]))
                ),
                TouchesOf(plan, good.Select(s => landings[s]!).ToList()),
                good.Select(s => landings[s]!).ToList()
            );

        (Landing?, double) Sample(double[] u)
        {
            var moved = bare;
            for (var i = 0; i < inputs.Count; i++)
            {
                moved = inputs[i].Moved(moved, u[i]);
            }

            if (SampledPlan.Checked(moved, units) is not { } found)
            {
                return (null, 0);
            }

            var setting = FallSetting.Of(found, ask with { HaulSpeedMps = ask.HaulSpeedMps * Math.Pow(2, u[^1]) });
            setting = setting with { HoldDeg = Between(found.Hold, u[^3]) };
            if (setting.HoldDeg < setting.CommitDeg || setting.Fallen() is not { } motion)
            {
                return (null, 0);
            }

            var tip = setting.OnGround(motion.Tip);
            return (tip.Turned(aimDeg + (plan.Site.AimErrorDeg * u[^2])), motion.Seconds);
        }
    }

    private static double Between(Spread spread, double u) =>
        spread.Nominal + (u * (u < 0 ? spread.Nominal - spread.Low : spread.High - spread.Nominal));

    /// <summary>In how many of the falls stem or crown comes down on a target.</summary>
    private static List<TargetTouch> TouchesOf(Plan plan, List<Landing> landings)
    {
        var shapes = TargetShape.All(plan.Site);
        var lay = new LayFrame(plan.Lay.BearingDeg);
        var crown = plan.Tree.Crown;
        var half = plan.Cut.StumpDiameterM / 2;
        var wide = Math.Max(
            half,
            (crown.ReachM.North + crown.ReachM.East + crown.ReachM.South + crown.ReachM.West) / 4
        );
        var from = Math.Clamp(crown.BaseHeightM / plan.Tree.HeightM, 0, 1);
        var touched = new int[shapes.Length];
        foreach (var landing in landings)
        {
            var length = Math.Sqrt((landing.ForwardM * landing.ForwardM) + (landing.RightM * landing.RightM));
            var (f, r) = (landing.ForwardM / length, landing.RightM / length);
            var ring = TargetShape.Ring([
                At(0, -half),
                At(from * length, -half),
                At(from * length, -wide),
                At(length, -wide),
                At(length, wide),
                At(from * length, wide),
                At(from * length, half),
                At(0, half),
            ]);
            for (var i = 0; i < shapes.Length; i++)
            {
                touched[i] += shapes[i].DistanceTo(ring) <= 0 ? 1 : 0;
            }

            Place At(double along, double aside)
            {
                var (east, north) = lay.ToSite((along * f) - (aside * r), (along * r) + (aside * f));
                return new(east, north);
            }
        }

        return
        [
            .. shapes
                .Select((s, i) => new TargetTouch(s.Target.Id, (double)touched[i] / landings.Count))
                .Where(t => t.Chance > 0)
                .OrderByDescending(t => t.Chance),
        ];
    }
}
