using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>The high point under a force at its block: bending, roots, buckling, guy and what holds the guy.</summary>
/// <remarks>
/// Method M19. Guy and anchor are checked as if the foot were pinned; the stem's bending by stiffness, with the stem's
/// own taper: k_s = 1 / ∫ (h − z)² / (E·I) dz, which is 3EI/h³ for one that does not taper. The roots by method M10.
/// </remarks>
public static class SparStand
{
    private const double Taper = 0.7;
    private const double StumpHeight = 0.1;
    private const int Steps = 48;
    private const double WoodMayFall = 0.2;
    private const double LeastDiameter = 0.01;

    /// <summary>A stem without its guy that bends under the level pull of one newton.</summary>
    /// <param name="Stiffness">Of its head, N/m.</param>
    /// <param name="WorstModulusArm">Largest (h − z)/(π·d³/32), 1/m².</param>
    /// <param name="WorstAt">Where that is, metres over the foot.</param>
    public readonly record struct Bending(double Stiffness, double WorstModulusArm, double WorstAt);

    /// <param name="x">Force at the block to the right, N.</param>
    /// <param name="y">Upward; less than 0 presses the stem down.</param>
    /// <param name="worst">The worst credible force over the planned one, at least 1.</param>
    internal static void Add(RigWalk walk, double x, double y, double worst, double fanDeg = 0)
    {
        var high = walk.Clearing.High!;
        var name = (string.IsNullOrWhiteSpace(high.Name) ? "High point" : high.Name).Capitalised();
        var stem = StemOf(high);
        var bending = BendingOf(high, stem);
        var guyed = GuyOf(walk, high, x, bending.Stiffness, fanDeg);
        var level = Math.Abs(x);
        // What the guy leaves of the pull, and what it pulls sideways itself.
        var left = level * (1 - guyed.Share);
        var bends = Math.Sqrt(Square(left) + Square(guyed.Aside));
        var weight = StemWeight(high, stem);
        var down = Math.Max(0, -y) + guyed.Down + weight;
        var foot = Math.PI * Square(stem.BaseDiameter) / 4;
        var stress = (bends * bending.WorstModulusArm) + (down / foot);
        walk.Add(
            RigMark.Spar,
            "spar",
            bending.WorstAt < 0.5 ? $"{name} at its foot" : $"{name}, stem",
            stress,
            stress * worst,
            WoodOf(walk, high),
            new(Dimension: Dimension.Stress)
        );
        var hold = Reference.Anchors[high.Stem.GroundId];
        var mass = StandingWood.Of(high.Stem.SpeciesId).Density * stem.Volume;
        var moment = bends * high.BlockHeightM;
        walk.Add(
            RigMark.Spar,
            "spar-roots",
            $"{name}, roots",
            moment,
            moment * worst,
            new(hold.Nominal * mass, walk.Factor.Anchor, [], Estimate: true, 1 - (hold.Low / hold.Nominal)),
            new(Anchors: true, Dimension: Dimension.Moment)
        );
        Buckling(walk, high, stem, name, down);
        if (high.Guy is { } guy && guyed.Pinned > 0)
        {
            AddGuy(walk, high, guy, guyed.Pinned, worst);
        }

        walk.Figure("spar-moves", "Top of the stem moves", bends / bending.Stiffness, "length");
        walk.How(
            "√((F · (1 − guy's share))² + (guy's pull aside)²) / k, k = 1 / ∫ (h − z)² / (E · I) dz",
            walk.Scene.Units.Say($"F {level:N}, aside {guyed.Aside:N}, k {bending.Stiffness:N} a metre")
        );
        if (high.Guy is not null)
        {
            walk.Figure("guy-share", "Guy takes", guyed.Share, "percent", "a rope guy takes only its share");
        }

        Condition(walk, high, name);
    }

    public static Stem StemOf(HighPointMembers high) => new(high.Stem.HeightM, high.Stem.DbhM, Taper, StumpHeight);

    /// <summary>How it bends under a level pull at its block.</summary>
    public static Bending BendingOf(HighPointMembers high, Stem stem)
    {
        var h = high.BlockHeightM;
        var stiffness = StiffnessOf(high);
        var (give, most, at) = (0.0, 0.0, 0.0);
        var step = h / Steps;
        for (var i = 0; i <= Steps; i++)
        {
            var z = i * step;
            var d = Math.Max(LeastDiameter, stem.DiameterAt(z - StumpHeight));
            var cube = d * d * d;
            var weight =
                step
                / 3
                * (
                    i is 0 or Steps ? 1
                    : i % 2 == 1 ? 4
                    : 2
                );
            give += weight * (h - z) * (h - z) / (stiffness * Math.PI * cube * d / 64);
            var arm = (h - z) / (Math.PI * cube / 32);
            if (arm > most)
            {
                (most, at) = (arm, z);
            }
        }

        return new(1 / give, most, at);
    }

    /// <summary>
    /// What of the level pull the guy takes along it and adds across it, what it is checked for, and how it presses the
    /// stem down.
    /// </summary>
    private static (double Share, double Aside, double Pinned, double Down) GuyOf(
        RigWalk walk,
        HighPointMembers high,
        double x,
        double stiffness,
        double fanDeg
    )
    {
        if (high.Guy is not { } guy || x == 0)
        {
            return (0, 0, 0, 0);
        }

        var away = guy.Anchor.AtM - high.AtM;
        if (away * x >= 0)
        {
            walk.Reasons.Check(
                "rig-guy-wrong-side",
                "The guy stands on the side that the stem is pulled to and holds nothing here: the stem stands alone. Set it straight behind.",
                "clearing.high.guy.anchor.atM"
            );
            return (0, 0, 0, 0);
        }

        var (rise, length) = RiseOf(walk, high, guy);
        // Lanes fan out to both sides of the middle one; the guy stays where it is.
        var off = Angle.Radians(Math.Min(85, guy.OffDeg + (fanDeg / 2)));
        var rope = guy.Rope is { StretchAtTenPercent: > 0 } r
            ? 0.1 * r.BreakingStrengthN / r.StretchAtTenPercent * Square(Math.Cos(rise)) / length
            : 0;
        var level = rope * Math.Abs(x) * Math.Cos(off) / (stiffness + rope);
        return (
            rope * Square(Math.Cos(off)) / (stiffness + rope),
            level * Math.Sin(off),
            Math.Abs(x) / (Math.Cos(rise) * Math.Cos(off)),
            level * Math.Tan(rise)
        );
    }

    /// <summary>How steeply the guy falls, radians, and how long it is.</summary>
    private static (double Rise, double Length) RiseOf(RigWalk walk, HighPointMembers high, GuyMembers guy)
    {
        var block = walk.Ground.At(high.AtM, high.BlockHeightM);
        var fast = walk.Scene.PointOf(guy.Anchor);
        var away = Math.Max(0.5, Math.Abs(fast.X - block.X)) / Math.Cos(Angle.Radians(guy.OffDeg));
        var fall = block.Y - fast.Y;
        return (Math.Atan2(fall, away), Math.Sqrt((away * away) + (fall * fall)));
    }

    private static void AddGuy(RigWalk walk, HighPointMembers high, GuyMembers guy, double pinned, double worst)
    {
        const string path = "clearing.high.guy";
        var (rise, _) = RiseOf(walk, high, guy);
        walk.AddRope(RigMark.Guy, "guy", "Guy", guy.Rope, $"{path}.rope", pinned, pinned * worst, "bowline");
        walk.AddAnchor(
            RigMark.Guy,
            "guy-anchor",
            "Guy's anchor",
            guy.Anchor,
            $"{path}.anchor",
            pinned,
            pinned * worst,
            rise
        );
        walk.NeedsRope(guy.Rope, $"{path}.rope", "guy", RiseOf(walk, high, guy).Length);
        walk.Draw(
            "guy",
            RigMark.Guy,
            pinned,
            loaded: false,
            walk.Ground.At(high.AtM, high.BlockHeightM),
            walk.Scene.PointOf(guy.Anchor)
        );
    }

    private static void Buckling(RigWalk walk, HighPointMembers high, Stem stem, string name, double down)
    {
        // One guy stands behind only: across it the head is free.
        // The thinner upper stem buckles first: its middle stands for all of it.
        var d = Math.Max(LeastDiameter, stem.DiameterAt((high.BlockHeightM / 2) - StumpHeight));
        var bending = StiffnessOf(high) * Math.PI * Math.Pow(d, 4) / 64;
        var euler = Math.PI * Math.PI * bending / Square(high.BlockHeightM);
        walk.Add(
            RigMark.Spar,
            "spar-buckling",
            $"{name}, buckling",
            down,
            down,
            new(euler / 4, walk.Factor.Stem, [], Estimate: true, WoodMayFall)
        );
    }

    private static void Condition(RigWalk walk, HighPointMembers high, string name)
    {
        if (high is { Topped: true, Guy: null })
        {
            walk.Reasons.Check(
                "rig-spar-without-guy",
                $"{name} is topped and carries a line without a guy, whatever its bending says: hang one straight behind.",
                "clearing.high.guy"
            );
        }

        var soundness = SoundnessOf(high);
        if (soundness.ShellRatio is < Soundness.LeastShellRatio and var ratio)
        {
            walk.Reasons.Stop(
                "rig-spar-hollow",
                $"{name} has a shell of {ratio:%} of its radius: it folds or splits before it bends. Take another high point.",
                "clearing.high.decay",
                null,
                ("shellRatio", ratio)
            );
        }
        else if (soundness.Value is < Soundness.Decayed and var sound)
        {
            walk.Reasons.Check(
                "rig-spar-decayed",
                $"Rot leaves {name.Uncapitalised()} {sound:%} of its strength: probe it from foot to block before anything hangs on it.",
                "clearing.high.decay",
                null,
                ("sound", sound)
            );
        }
        else if (high.Decay is null && high.Stem.Soundness >= 1)
        {
            walk.Reasons.Remark(
                "rig-spar-not-probed",
                $"{name} counts as sound because nobody has said otherwise: sound it with a hammer before it is climbed.",
                "clearing.high.decay"
            );
        }
    }

    /// <summary>What its wood carries when it bends.</summary>
    internal static LinkRating WoodOf(RigWalk walk, HighPointMembers high) =>
        new(StrengthOf(high) * SoundnessOf(high).Value, walk.Factor.Stem, [], Estimate: true, MayFall: WoodMayFall);

    private static Soundness SoundnessOf(HighPointMembers high) => Soundness.Of(high.Stem.Soundness, high.Decay);

    /// <summary>Bending strength of its wood, green, Pa, over 0.</summary>
    public static double StrengthOf(HighPointMembers high) => StandingWood.Of(high.Stem.SpeciesId).Strength;

    private static double StiffnessOf(HighPointMembers high) =>
        StandingWood.Of(high.Stem.SpeciesId).Stiffness * SoundnessOf(high).Value;

    private static double StemWeight(HighPointMembers high, Stem stem)
    {
        var left = high.Topped ? Math.Min(1, high.BlockHeightM / high.Stem.HeightM) : 1;
        // Of a stem by its form, what is left below a height is one less the rest to the same power as its volume.
        var share = 1 - Math.Pow(1 - left, (2 * Taper) + 1);
        return RigWalk.Weight(StandingWood.Of(high.Stem.SpeciesId).Density * stem.Volume * share);
    }

    private static double Square(double x) => x * x;
}
