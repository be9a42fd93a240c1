using Draklo.Core.Catalogue;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>Minutes of a way as the table has them, at the table's distance.</summary>
/// <param name="Rig">Until the first load moves.</param>
/// <param name="Each">One load, there and back.</param>
internal readonly record struct WayMinutes(Spread Rig, Spread Each);

/// <summary>One way of clearing: what it needs, what it puts on what, how long it takes, what it spoils.</summary>
/// <remarks>A new way is a class of this and an entry in <see cref="All"/>.</remarks>
internal abstract class Way(ClearingWay kind, string name, string group, string trade)
{
    public const string OverGround = "ground";
    public const string FromStem = "stem";

    /// <summary>The distance of the table's minutes, metres.</summary>
    private const double TableDistance = 48;

    /// <summary>The part of a load's minutes that does not follow the distance: hooking on and off.</summary>
    private const double Fixed = 0.4;

    public static IReadOnlyList<Way> All { get; } =
    [
        new CarryWay(),
        new DragWay(ClearingWay.Drag, "Drag"),
        new DragWay(ClearingWay.ButtUp, "Butt lifted"),
        new LiftWay(),
        new FlyWay(),
        new CatchWay(),
        new PointsWay(),
        new SlideWay(),
        new AsternWay(),
        new TopWay(),
    ];

    public ClearingWay Kind { get; } = kind;

    public string Name { get; } = name;

    /// <inheritdoc cref="WayResult.Group"/>
    public string Group { get; } = group;

    /// <inheritdoc cref="WayResult.Trade"/>
    public string Trade { get; } = trade;

    /// <summary>What it uses, and what is said of it.</summary>
    public abstract WayTraits Traits { get; }

    /// <summary>What parts of a clearing start from.</summary>
    protected static ClearingStarts Starts { get; } = new();

    /// <summary>What choosing it puts into the plan: members that it cannot do without and that nobody has given.</summary>
    public abstract IReadOnlyList<Change> Begins(ClearingScene scene);

    protected static IReadOnlyList<Change> Missing(
        params ReadOnlySpan<(object? Given, string Member, object Start)> parts
    )
    {
        var missing = new List<Change>();
        foreach (var (given, member, start) in parts)
        {
            if (given is null)
            {
                missing.Add(new($"clearing.{member}", start));
            }
        }

        return missing;
    }

    /// <summary>Whether it uses a part.</summary>
    public bool Uses(WayPart part) => Traits.Uses.Contains(part);

    /// <summary>The way of a kind.</summary>
    public static Way Of(ClearingWay kind) => All.First(w => w.Kind == kind);

    /// <summary>Changes that only this way knows and that may make it hold; none as a rule.</summary>
    public virtual IEnumerable<IEnumerable<WayTrial>> OwnTrials(ClearingScene scene) => [];

    /// <summary>What the plan needs before anything can be worked out; empty where it has all.</summary>
    public abstract string Lacks(ClearingScene scene);

    /// <summary>Puts every link on the walk, and what there is to say.</summary>
    public abstract void Walk(RigWalk walk);

    /// <summary>At least.</summary>
    public abstract int People(ClearingMembers clearing);

    protected abstract WayMinutes Table { get; }

    /// <summary>How often it goes there and back.</summary>
    public virtual int Loads(ClearingScene scene) => scene.Pieces.Sum(p => p.Count) + Bundles(scene.Clearing.Brush);

    /// <summary>The angle over which its lanes fan out, degrees; 0 where it has one.</summary>
    public virtual double FanDeg(ClearingMembers clearing) => 0;

    /// <summary>What it wears, in a few words.</summary>
    public abstract string Wears(ClearingScene scene);

    /// <summary>What it does to the ground, in a few words, and how much ground is torn up, m².</summary>
    public virtual (string Words, double M2) Spoils(ClearingScene scene) => ("spares the ground", 0);

    /// <summary>How far one load goes, metres; null where the distance does not count.</summary>
    protected virtual double? Distance(ClearingScene scene)
    {
        var far = scene.Pieces.Select(p => p.AtM).ToList();
        return far.Count == 0
            ? null
            : far.Average(at => scene.Ground.LengthBetween(at, scene.Clearing.Ground.LandingAtM));
    }

    /// <summary>To rig and for each load; the crew's own where it has some.</summary>
    public virtual WayMinutes Minutes(ClearingScene scene)
    {
        var own = scene.Clearing.Times.FirstOrDefault(t => t.Way == Kind);
        var scale = Distance(scene) is { } d ? Fixed + ((1 - Fixed) * d / TableDistance) : 1;
        var rig = own?.RigMin is { } r ? new Spread(r, r, r) : Table.Rig;
        var each = own?.EachMin is { } e
            ? new Spread(e, e, e)
            : new(Table.Each.Low * scale, Table.Each.Nominal * scale, Table.Each.High * scale);
        return new(rig, each);
    }

    protected static int Bundles(BrushMembers? brush) =>
        brush is null ? 0 : (int)Math.Ceiling(brush.VolumeM3 * brush.MassKgM3 / brush.BundleKg);

    /// <summary>Everybody needed at the hauling end.</summary>
    protected static int Haulers(PullerMembers hauler) => hauler.Kind == PullerKind.People ? hauler.Count : 1;
}
