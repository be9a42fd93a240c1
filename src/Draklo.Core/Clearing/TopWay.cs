using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>The top of a stem pulled over with a line.</summary>
/// <remarks>
/// Methods M11 and M19: the stem bends under the pull and whips back by twice that when the top lets go at once; nobody
/// hauls hard with somebody aloft.
/// </remarks>
internal sealed class TopWay()
    : Way(
        ClearingWay.Top,
        "Top with a pull line",
        FromStem,
        "The top goes where it is pulled and the stem is left as a high point; the stem whips under whoever is on it."
    )
{
    private const double Whip = 2;

    /// <summary>A pull that somebody aloft still rides, N; an estimate of ours: two people steadily.</summary>
    private const double HardPull = 500;

    /// <inheritdoc/>
    public override WayTraits Traits { get; } =
        new()
        {
            Uses = [WayPart.High, WayPart.Hauler, WayPart.Haul],
            Ends = WayWords.StemEnds,
            ArmUp = "Haul",
            Shows = LoadOnLine.None,
            GoesAloft = false,
            PullsIn = false,
            Shocks = false,
            RunsOnLine = false,
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Change> Begins(ClearingScene scene) =>
        Missing((scene.Clearing.High, "high", Starts.High), (scene.Clearing.Top, "top", Starts.Top));

    protected override WayMinutes Table => new(new(20, 30, 45), new(15, 25, 40));

    public override string Lacks(ClearingScene scene) =>
        scene.Clearing.High is null ? WayWords.NoHigh
        : scene.Clearing.Top is null ? "Say where the top is cut and where its line sits."
        : "";

    public override int People(ClearingMembers clearing) => Haulers(clearing.Hauler) + 1;

    public override int Loads(ClearingScene scene) => 1;

    protected override double? Distance(ClearingScene scene) => null;

    public override string Wears(ClearingScene scene) => "little";

    public override void Walk(RigWalk walk)
    {
        var (clearing, ask, high) = (walk.Clearing, walk.Clearing.Top!, walk.Clearing.High!);
        var stem = SparStand.StemOf(high);
        if (ask.LineHeightM <= ask.CutHeightM || ask.CutHeightM >= high.Stem.HeightM)
        {
            walk.Reasons.Stop(
                "rig-top-line-low",
                "The line sits above the top's cut, and the cut below the stem's end: put them so.",
                ask.CutHeightM >= high.Stem.HeightM ? "clearing.top.cutHeightM" : "clearing.top.lineHeightM"
            );
            return;
        }

        var top = new Stemmed(high, stem, ask);
        var weight =
            RigWalk.Weight(top.MassKg)
            * (1 + (walk.Moved.Mass * (ask.MassKg is null ? Doubts.CalculatedMass : Doubts.WeighedMass)));
        var hauler = walk.Scene.Hauler;
        var line = walk.Ground.At(high.AtM, ask.LineHeightM);
        var angle = line.AngleTo(hauler);
        var arm = (ask.LineHeightM - ask.CutHeightM) * Math.Abs(Math.Cos(angle));
        var back = weight * top.CentreOverCut * Math.Sin(Angle.Radians(ask.BackLeanDeg));
        var needed = Math.Max(0, back + top.HingeHolds) / Math.Max(0.1, arm);
        var pull = ask.PullN ?? (needed * walk.Scene.Plan.Policy.LoadReserve);
        HaulChain.Add(walk, pull, [], clearing.Drag.KnotId);
        AddStem(walk, top, pull * Math.Abs(Math.Cos(angle)));
        Say(walk, top, new(weight, needed, pull, line, hauler));
    }

    /// <summary>The top, and the hinge it goes over.</summary>
    private readonly record struct Stemmed(HighPointMembers High, Trees.Stem Stem, TopMembers Ask)
    {
        private const int Slices = 20;

        /// <summary>Of the stem where its top comes off, m, at least 0.02.</summary>
        public double DiameterAtCut => Math.Max(0.02, Stem.DiameterAt(Ask.CutHeightM - Stem.StumpHeight));

        /// <summary>Of the bare stem above the cut unless it is given.</summary>
        public double MassKg
        {
            get
            {
                if (Ask.MassKg is { } own)
                {
                    return own;
                }

                var (from, to) = (Ask.CutHeightM, High.Stem.HeightM);
                var step = (to - from) / Slices;
                var volume = 0.0;
                for (var i = 0; i < Slices; i++)
                {
                    var d = Stem.DiameterAt(from + ((i + 0.5) * step) - Stem.StumpHeight);
                    volume += Math.PI / 4 * d * d * step;
                }

                return volume * StandingWood.Of(High.Stem.SpeciesId).Density;
            }
        }

        /// <summary>A tapering top's mass acts about two fifths up.</summary>
        public double CentreOverCut => 0.4 * (High.Stem.HeightM - Ask.CutHeightM);

        /// <summary>What the hinge resists, N·m.</summary>
        public double HingeHolds => SparStand.StrengthOf(High) * DiameterAtCut * Ask.HingeM * Ask.HingeM / 6 * 0.5;
    }

    private static void AddStem(RigWalk walk, Stemmed top, double level)
    {
        // Under the cut the stem is a cantilever from the ground up to the top's line.
        var high = top.High with
        {
            BlockHeightM = top.Ask.CutHeightM,
        };
        var bending = SparStand.BendingOf(high, top.Stem);
        var lever = top.Ask.LineHeightM - top.Ask.CutHeightM;
        var d = top.DiameterAtCut;
        var atCut = level * lever / (Math.PI * d * d * d / 32);
        var stress = Math.Max(atCut, level * bending.WorstModulusArm * (1 + (lever / top.Ask.CutHeightM)));
        walk.Add(
            RigMark.Spar,
            "spar",
            "Stem under the pull",
            stress,
            Whip * stress,
            SparStand.WoodOf(walk, top.High),
            new(Dimension: Dimension.Stress)
        );
        walk.Figure("bends", "The cut moves under the pull", level / bending.Stiffness, "length");
        walk.Figure(
            "whips",
            "It whips back by",
            Whip * level / bending.Stiffness,
            "length",
            "when the top lets go at once"
        );
    }

    private readonly record struct Pulled(
        double Weight,
        double Needed,
        double Pull,
        SectionPoint Line,
        SectionPoint Hauler
    );

    private static void Say(RigWalk walk, Stemmed top, Pulled pulled)
    {
        if (walk.OnlyUses)
        {
            return;
        }

        walk.Figure("weight", "The top weighs", pulled.Weight, "force");
        walk.Figure("needed", "It needs", pulled.Needed, "force");
        walk.How(
            "(W · its centre behind the cut + hinge) / arm of the line",
            walk.Scene.Units.Say(
                $"W {pulled.Weight:N}, leans back {top.Ask.BackLeanDeg:deg}, hinge {top.Ask.HingeM:cm}"
            )
        );
        walk.Figure("pull", "Pull planned", pulled.Pull, "force");
        walk.NeedsRope(walk.Clearing.Haul, "clearing.haul", "pull line", RigWalk.Along(pulled.Line, pulled.Hauler));
        walk.Draw("haul", RigMark.Haul, pulled.Pull, loaded: true, pulled.Line, pulled.Hauler);
        var height = top.High.Stem.HeightM;
        var toward = Math.Sign(pulled.Hauler.X - pulled.Line.X);
        walk.Zone(
            ZoneKind.ComesDown,
            "drop",
            "where the top comes down",
            pulled.Line.X,
            pulled.Line.X + (toward * (height - top.Ask.CutHeightM + (top.Ask.CutHeightM / 2))),
            Math.Max(3, (height - top.Ask.CutHeightM) / 2)
        );
        RigBands.Add(walk, "haul", pulled.Line, pulled.Hauler);
        if (walk.Clearing.Climber != TieIn.None && pulled.Pull > HardPull)
        {
            walk.Reasons.Check(
                "rig-hard-pull-aloft",
                $"{pulled.Pull:N} is a hard pull with somebody aloft: the stem bends under them and whips back. Take a smaller top, or cut and pull after they are down.",
                "clearing.top.pullN",
                null,
                ("pullN", pulled.Pull)
            );
        }

        if (pulled.Pull < pulled.Needed)
        {
            walk.Reasons.Stop(
                "rig-top-sits-back",
                $"The pull of {pulled.Pull:N} is less than the {pulled.Needed:N} that the top needs: it sits back on the saw.",
                "clearing.top.pullN",
                null,
                ("neededN", pulled.Needed)
            );
        }

        if (Math.Abs(pulled.Hauler.X - pulled.Line.X) < height - top.Ask.CutHeightM)
        {
            walk.Reasons.Stop(
                "rig-hauler-under-top",
                "The haulers stand where the top comes down: farther out, or round a redirect.",
                "clearing.haulerAtM"
            );
        }
    }
}
