using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Rigging;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>What all ways of one clearing share.</summary>
internal sealed record ClearingScene(Plan Plan, ClearingMembers Clearing, UnitSystem Units)
{
    /// <summary>What the crew keeps that the plan is held against; null where nobody asks it.</summary>
    public Yard? Yard { get; init; }

    public SectionGround Ground { get; } = new(Clearing.Ground.Spots);

    public IReadOnlyList<ClearPiece> Pieces { get; } = ClearPiece.All(Plan, Clearing);

    public DesignFactorMembers Factor => Plan.Policy.DesignFactor;

    /// <summary>The heaviest piece; null without one.</summary>
    public ClearPiece? Heaviest => Pieces.MaxBy(p => p.MassKg);

    /// <summary>Where the high point's block hangs; null without one.</summary>
    public SectionPoint? Block => Clearing.High is { } high ? Ground.At(high.AtM, high.BlockHeightM) : null;

    /// <summary>Where the hauling line turns low down; null where it runs straight to the hauler.</summary>
    public SectionPoint? Lead => Clearing.Lead is { } lead ? PointOf(lead.Anchor) : null;

    /// <summary>The hauler's hands or winch; at the left end where nobody has said.</summary>
    public SectionPoint Hauler =>
        Ground.At(Clearing.HaulerAtM ?? Clearing.HaulAnchor?.AtM ?? Ground.LeftM, HandsHeight);

    /// <summary>Where the drum stands; at the foot of a stem where nobody has said.</summary>
    public SectionPoint DrumAt(double foot) =>
        Clearing.Drum?.Anchor is { } fast ? PointOf(fast) : Ground.At(foot, DrumHeight);

    private const double HandsHeight = 0.8;
    private const double DrumHeight = 1;

    public SectionPoint PointOf(SectionPointMembers point) => Ground.At(point.AtM, point.HeightM);

    /// <summary>The tree on the line behind it, worked out once; null where that is not set up or cannot be.</summary>
    public (LoweredTree? Tree, IReadOnlyList<Problem> Problems) Lowered => lowered.Value;

    private readonly Lazy<(LoweredTree?, IReadOnlyList<Problem>)> lowered = new(() =>
    {
        if (Clearing.Astern is not { } astern)
        {
            return (null, []);
        }

        var (tree, _, problems) = LoweredTree.Of(
            Plan,
            new() { SeatHeightM = astern.SeatHeightM, Anchor = astern.Anchor },
            Units
        );
        return (tree, problems);
    });

    /// <summary>The piece that a way names; the heaviest where it names none, or one that is not there.</summary>
    public ClearPiece? PieceOf(string? id) => Pieces.FirstOrDefault(p => p.Id == id) ?? Heaviest;
}

/// <summary>One way as it is walked from link to link: loads, what holds them, what is not known, what is drawn.</summary>
internal sealed class RigWalk(ClearingScene scene, Doubts moved, bool onlyUses = false)
{
    /// <summary>A load that bounces or stops with a jerk counts as a quarter more.</summary>
    public const double Jerk = 1.25;

    private readonly List<RigLink> links = new(16);

    public ClearingScene Scene => scene;

    public ClearingMembers Clearing => scene.Clearing;

    public SectionGround Ground => scene.Ground;

    public DesignFactorMembers Factor => scene.Factor;

    public Doubts Moved => moved;

    /// <summary>Whether only uses are wanted: nobody reads its sentences and drawings.</summary>
    public bool OnlyUses { get; } = onlyUses || moved != default;

    public IReadOnlyList<RigLink> Links => links;

    public ReasonList Reasons { get; } = new(scene.Units);

    public List<RigFigure> Figures { get; } = [];

    public List<RigLine> Lines { get; } = [];

    public List<RigZone> Zones { get; } = [];

    public List<TravelPlace> Travel { get; } = [];

    public List<PointForce> Points { get; } = [];

    public double[] Uses() => [.. links.Select(l => l.Use)];

    /// <summary>What a piece weighs, as far as that is moved.</summary>
    public double WeightOf(ClearPiece piece) =>
        piece.WeightN * (1 + (moved.Mass * (piece.Weighed ? Doubts.WeighedMass : Doubts.CalculatedMass)));

    /// <summary>What the heaviest piece weighs: each of the list goes the same way, so it decides.</summary>
    public double HeaviestWeight() => scene.Pieces.Max(WeightOf);

    /// <summary>Which of several pieces that is; empty for one alone.</summary>
    public string HeaviestNote() => scene.Pieces.Count > 1 ? "the heaviest of the list" : "";

    /// <summary>Friction of a log on this ground.</summary>
    public double LogFriction
    {
        get
        {
            if (Clearing.Ground.Friction is { } own)
            {
                return own * (1 + (moved.Friction * Doubts.ShapeOff));
            }

            var table = Reference.Anchors[Clearing.Ground.SurfaceId];
            return Doubts.Between(table.Low, table.Nominal, table.High, moved.Friction);
        }
    }

    /// <summary>A length of a line's shape, a tenth more or less at its ends.</summary>
    public double Shaped(double length) => length * (1 + (moved.Shape * Doubts.ShapeOff));

    /// <summary>What a block passes on over the angle that the line turns through.</summary>
    /// <param name="turned">Radians.</param>
    /// <param name="best">At its best turns: what a strong pull puts through.</param>
    public double Passes(RigBlockMembers? block, double turned, bool best = false)
    {
        var kind = ContactKind.Of(block?.ContactId ?? "bushed-block", block?.Passes);
        var half = best ? kind.High : Doubts.Between(kind.Low, kind.Nominal, kind.High, moved.Passes);
        return kind.PassesAt(half, turned);
    }

    /// <summary>Adds a link.</summary>
    public void Add(
        RigMark mark,
        string id,
        string name,
        double load,
        double worst,
        LinkRating rating,
        RigLinkKind kind = default
    )
    {
        var strength = rating.Strength;
        var use = load * rating.Factor / strength;
        var gives = kind.Effort || kind.Slips;
        links.Add(
            new()
            {
                Id = id,
                Name = name,
                Mark = mark,
                Place = kind.Place,
                Dimension = kind.Dimension,
                LoadValue = load,
                WorstLoadValue = Math.Max(load, worst),
                StrengthValue = strength,
                RatedValue = rating.Rated,
                Factor = rating.Factor,
                Use = use,
                CarefulUse = use * FallFactor(rating.MayFall),
                State = Link.StateOf(use, gives ? 0 : worst, strength),
                Estimate = rating.Estimate,
                Effort = kind.Effort,
                Slips = kind.Slips,
                Anchors = kind.Anchors,
                Reductions = rating.Reductions,
            }
        );
    }

    /// <summary>What an estimated strength may add to a use in 95 cases of 100.</summary>
    public static double FallFactor(double mayFall) =>
        mayFall <= 0 ? 1 : Math.Exp(CarefulEnd.Deviations * mayFall / Math.Sqrt(6));

    /// <summary>A rope: what it carries against what knot, bend and wear leave of it.</summary>
    /// <param name="bend">Diameter of what it runs round, metres; null for a full-size sheave.</param>
    public void AddRope(
        RigMark mark,
        string id,
        string name,
        RopeMembers? rope,
        string path,
        double load,
        double worst,
        string? knotId = null,
        double? bend = null
    )
    {
        if (rope is null)
        {
            Reasons.Check(
                "rig-rope-unknown",
                $"Which rope is the {name.Uncapitalised()} is not given: it carries {load:N}.",
                path,
                null,
                ("loadN", load)
            );
            return;
        }

        var reductions = new List<Reduction>(4);
        if (knotId is not null && Reference.Knots.TryGetValue(knotId, out var knot))
        {
            reductions.Add(new(knot.Name.Uncapitalised(), knot.KeepsLow));
        }

        if (bend is { } pin)
        {
            LineWalk.AddBend(pin, rope.DiameterM, reductions);
        }

        Wear.Add(rope.Wear, rope.ConstructionId, reductions);
        Add(mark, id, name, load, worst, new(rope.BreakingStrengthN, Factor.Rope, reductions));
    }

    /// <summary>A sling, or the note that nobody has said which.</summary>
    public void AddSling(
        RigMark mark,
        string id,
        string name,
        SlingMembers? sling,
        string path,
        double load,
        double worst
    )
    {
        if (sling is { BreakingStrengthN: not null })
        {
            Add(mark, id, name, load, worst, AnchorSlingLink.RatingOf(sling, Factor.Sling));
        }
        else
        {
            Reasons.Check(
                "rig-sling-unknown",
                $"What the {name.Uncapitalised()} breaks at is not given: it carries {load:N}.",
                sling is null ? path : $"{path}.breakingStrengthN",
                null,
                ("loadN", load)
            );
        }
    }

    /// <summary>A block and its sling.</summary>
    public void AddBlock(
        RigMark mark,
        string id,
        string name,
        RigBlockMembers? block,
        string path,
        double load,
        double worst,
        int? place = null
    )
    {
        var contact = Reference.Contacts.GetValueOrDefault(block?.ContactId ?? "");
        if (block is null || (block.StrengthN is null && contact is { IsHardware: true }))
        {
            Reasons.Check(
                "rig-block-unknown",
                $"What the {name.Uncapitalised()} breaks at is not given: it carries {load:N}.",
                block is null ? path : $"{path}.strengthN",
                null,
                ("loadN", load)
            );
        }
        else if (block.StrengthN is { } strength)
        {
            Add(mark, id, name, load, worst, new(strength, Factor.Hardware, []), new(Place: place));
        }

        if (contact is null or { IsHardware: true })
        {
            AddSling(mark, $"{id}-sling", $"{name}, sling", block?.Sling, $"{path}.sling", load, worst);
        }
    }

    /// <summary>What a line is made fast to.</summary>
    /// <param name="rise">How far the pull on it rises, radians.</param>
    public void AddAnchor(
        RigMark mark,
        string id,
        string unnamed,
        SectionPointMembers? anchor,
        string path,
        double load,
        double worst,
        double rise
    )
    {
        if (anchor is null)
        {
            Reasons.Check(
                "rig-anchor-unknown",
                $"The {unnamed.Uncapitalised()} is not given: it must hold {load:N}.",
                path,
                null,
                ("loadN", load)
            );
            return;
        }

        var name = AnchorLink.NameOf(anchor, unnamed);
        var strength = AnchorStrength.Of(anchor, id, rise, null);
        if (strength is not null)
        {
            Add(mark, id, name, load, worst, AnchorLink.RatingOf(strength, Factor.Anchor), new(Anchors: true));
        }

        if (!OnlyUses)
        {
            AnchorLink.Doubts(Reasons, new(anchor, path, name, $"the {unnamed.Uncapitalised()}"), strength, load, rise);
        }

        if (anchor.Sling is { BreakingStrengthN: not null } sling)
        {
            Add(mark, $"{id}-sling", $"{name}, sling", load, worst, AnchorSlingLink.RatingOf(sling, Factor.Sling));
        }
        else if (anchor.Kind is AnchorKind.Tree or AnchorKind.Post)
        {
            AnchorSlingLink.Missing(Reasons, name.Uncapitalised(), path, anchor.Sling);
        }
    }

    /// <summary>The force of two pulls on the point between them.</summary>
    /// <param name="one">Direction of the first, radians above level to the right.</param>
    public static (double X, double Y) Sum(double first, double one, double second, double other) =>
        ((first * Math.Cos(one)) + (second * Math.Cos(other)), (first * Math.Sin(one)) + (second * Math.Sin(other)));

    /// <summary>A force's size, N, 0 or more.</summary>
    public static double SizeOf((double X, double Y) force) => Math.Sqrt((force.X * force.X) + (force.Y * force.Y));

    /// <summary>How far a line turns between two legs that leave a point, radians: 0 straight on, π doubled back.</summary>
    public static double Turned(double one, double other)
    {
        var between = Math.Abs(one - other) % (2 * Math.PI);
        return Math.PI - (between > Math.PI ? (2 * Math.PI) - between : between);
    }

    public void Figure(string id, string name, double value, string quantity, string note = "")
    {
        if (!OnlyUses)
        {
            Figures.Add(new(id, name, value, quantity, note));
        }
    }

    /// <summary>How the figure said last was worked out.</summary>
    public void How(string formula, string numbers)
    {
        if (!OnlyUses)
        {
            Figures[^1] = Figures[^1] with { How = $"{formula}: {numbers}" };
        }
    }

    public void Draw(string id, RigMark mark, double tension, bool loaded, params SectionPoint[] points)
    {
        if (!OnlyUses)
        {
            Lines.Add(new(id, mark, loaded, tension, points));
        }
    }

    /// <summary>A rope that does not reach, with a tail past whatever holds it.</summary>
    public void NeedsRope(RopeMembers? rope, string path, string name, double length)
    {
        const double tail = 2;
        if (!OnlyUses && rope is not null && rope.LengthM < length + tail)
        {
            Reasons.Stop(
                "rig-rope-short",
                $"The {name} is {rope.LengthM:m} long and needs {length + tail:m}, with a tail: take a longer rope, or rig it shorter.",
                $"{path}.lengthM",
                null,
                ("lengthM", rope.LengthM),
                ("neededM", length + tail)
            );
        }
    }

    /// <summary>Along a line over its points, metres.</summary>
    public static double Along(params ReadOnlySpan<SectionPoint> points)
    {
        double length = 0;
        for (var i = 1; i < points.Length; i++)
        {
            length += points[i - 1].DistanceTo(points[i]);
        }

        return length;
    }

    public void Zone(ZoneKind kind, string id, string name, double fromM, double toM, double halfWidthM)
    {
        if (!OnlyUses)
        {
            Zones.Add(new(id, kind, name, Math.Min(fromM, toM), Math.Max(fromM, toM), halfWidthM));
        }
    }

    /// <summary>The weight of a kilogram.</summary>
    public static double Weight(double massKg) => massKg * StandingTree.Gravity;

    /// <summary>What a puller keeps up.</summary>
    public static Spread Steady(PullerMembers puller) => Effort.Of(puller).SteadyN;
}

/// <summary>What a link is beside its load: somebody's effort, something that slips, an anchor, of a point.</summary>
internal readonly record struct RigLinkKind(
    bool Effort = false,
    bool Slips = false,
    bool Anchors = false,
    int? Place = null,
    Dimension Dimension = Dimension.Force
);
