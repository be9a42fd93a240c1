using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>By hand.</summary>
/// <remarks>What one person carries is the crew's own rule; on a slope a log that is let go rolls.</remarks>
internal sealed class CarryWay()
    : Way(
        ClearingWay.Carry,
        "Carry and roll",
        OverGround,
        "Nothing to rig and nothing torn up; only what people can lift, and slow."
    )
{
    /// <summary>A round log begins to roll by itself about here, degrees; an estimate of ours.</summary>
    private const double RollsFromDeg = 6;

    /// <inheritdoc/>
    public override WayTraits Traits { get; } =
        new()
        {
            Uses = [WayPart.Pieces],
            Ends =
            [
                new(
                    "Every load",
                    [
                        "Lift from the knees, together, on one word.",
                        "Logs that wait are chocked; nobody works below them.",
                    ]
                ),
            ],
            ArmUp = "Haul",
            Shows = LoadOnLine.None,
            GoesAloft = false,
            PullsIn = false,
            Shocks = false,
            RunsOnLine = false,
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Change> Begins(ClearingScene scene) => [];

    protected override WayMinutes Table => new(new(0, 0, 0), new(3, 4.5, 7));

    public override string Lacks(ClearingScene scene) => scene.Pieces.Count == 0 ? WayWords.NoPieces : "";

    public override int People(ClearingMembers clearing) => clearing.Carry.People;

    public override string Wears(ClearingScene scene) => "backs";

    public override void Walk(RigWalk walk)
    {
        var (carry, heaviest) = (walk.Clearing.Carry, walk.Scene.Heaviest!);
        var load = walk.WeightOf(heaviest);
        walk.Add(
            RigMark.Load,
            "lift",
            $"{heaviest.Name.Capitalised()}, lifted",
            load,
            load,
            new(RigWalk.Weight(carry.EachKg) * carry.People, 1, []),
            new(Effort: true)
        );
        var tooHeavy = walk.Scene.Pieces.Where(p => p.MassKg > carry.EachKg * carry.People).Sum(p => p.Count);
        if (tooHeavy > 0)
        {
            walk.Reasons.Check(
                "rig-too-heavy-to-carry",
                $"{Sentences.Count(tooHeavy).Capitalised()} of {walk.Scene.Pieces.Sum(p => p.Count)} pieces weigh more than {carry.EachKg * carry.People:kg}: cut them shorter, or move them another way.",
                "clearing.carry",
                null,
                ("pieces", tooHeavy)
            );
        }

        var slope = Angle.Degrees(
            walk.Ground.Parts(walk.Ground.LeftM, walk.Ground.RightM)
                .Select(p => Math.Abs(SectionGround.SlopeOf(p.From, p.To)))
                .DefaultIfEmpty(0)
                .Max()
        );
        walk.Figure("slope", "Steepest ground", slope, "angle");
        if (slope > RollsFromDeg)
        {
            walk.Reasons.Remark(
                "rig-logs-roll",
                $"On {slope:deg} a round log that is let go rolls: chock every one, and nobody works below.",
                "clearing.ground",
                ("slopeDeg", slope)
            );
        }
    }
}

/// <summary>Sentences that several ways share.</summary>
internal static class WayWords
{
    public const string NoPieces = "Say what is to be moved: cut marks on the stem, or pieces.";

    /// <summary>Of ways down from a stem, where somebody cuts aloft and others stand below.</summary>
    public static readonly IReadOnlyList<ClearingEnd> StemEnds =
    [
        new("Aloft", ["Your own rope is on a point that carries nothing else.", "Cut only on the word from below."]),
        new(
            "On the ground",
            [
                "Nobody inside the marked ground until the piece lies still.",
                "The lead counts everybody before every cut.",
            ]
        ),
    ];

    public const string NoHigh = "Say what stands as the high point.";
}
