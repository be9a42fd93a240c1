using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Core.Trees;

/// <summary>A figure that nobody has measured, with how far such a guess is usually off.</summary>
/// <remarks>Method M20: moved alone to its low and its high value, it shows whether this plan rests on it.</remarks>
/// <param name="Name">What it is called in a sentence.</param>
/// <param name="Moved">The plan with the figure moved: −1 to its low, 1 to its high value.</param>
internal sealed record GuessedFigure(string Name, Func<Plan, double, Plan> Moved)
{
    private const double HeightShare = 0.15;
    private const double DiameterShare = 0.12;
    private const double LeanDeg = 2;
    private const double LeanBearingDeg = 30;
    private const double CrownShare = 0.3;
    private const double CrownMassShare = 0.4;
    private const double CutShare = 0.1;
    private const double Taper = 0.15;
    private const double Unsound = 0.2;
    private const double SeatM = 1;
    private const double DistanceShare = 0.1;
    private const double BearingDeg = 10;
    private const double RiseM = 1;

    /// <summary>The figures of tree, cut and line that a tension follows from; null for any other.</summary>
    public static GuessedFigure? Of(string path) =>
        path switch
        {
            "tree.heightM" => OfTree("height", (t, u) => t with { HeightM = t.HeightM * (1 + (HeightShare * u)) }),
            "tree.dbhM" => OfTree("girth", (t, u) => t with { DbhM = t.DbhM * (1 + (DiameterShare * u)) }),
            "tree.taperExponent" => OfTree(
                "taper",
                (t, u) => t with { TaperExponent = Math.Max(0.3, t.TaperExponent + (Taper * u)) }
            ),
            "tree.soundness" => OfTree(
                "soundness of the wood",
                (t, u) => t with { Soundness = Math.Clamp(t.Soundness + (Unsound * u), 0.2, 1) }
            ),
            "tree.speciesId" => OfTree(
                "species",
                (t, u) =>
                {
                    var wood = t.Wood ?? Wood.Of(t).ToMembers();
                    return t with
                    {
                        Wood = wood with { GreenDensityKgM3 = wood.GreenDensityKgM3 * (1 + (HeightShare * u)) },
                    };
                }
            ),
            "tree.lean.angleDeg" => OfTree(
                "lean",
                (t, u) => t with { Lean = t.Lean with { AngleDeg = Math.Max(0, t.Lean.AngleDeg + (LeanDeg * u)) } }
            ),
            "tree.lean.bearingDeg" => OfTree(
                "way it leans",
                (t, u) =>
                    t with
                    {
                        Lean = t.Lean with { BearingDeg = (t.Lean.BearingDeg + (LeanBearingDeg * u) + 360) % 360 },
                    }
            ),
            "tree.crown.baseHeightM" => OfCrown(
                "height of the crown's base",
                (c, u) => c with { BaseHeightM = c.BaseHeightM * (1 + (CrownShare * u)) }
            ),
            "tree.crown.massRatio" => OfCrown(
                "mass of the crown",
                (c, u) => c with { MassRatio = c.MassRatio * (1 + (CrownMassShare * u)) }
            ),
            "tree.crown.reachM.north" => OfReach(
                "north",
                (r, u) => r with { North = r.North * (1 + (CrownShare * u)) }
            ),
            "tree.crown.reachM.east" => OfReach("east", (r, u) => r with { East = r.East * (1 + (CrownShare * u)) }),
            "tree.crown.reachM.south" => OfReach(
                "south",
                (r, u) => r with { South = r.South * (1 + (CrownShare * u)) }
            ),
            "tree.crown.reachM.west" => OfReach("west", (r, u) => r with { West = r.West * (1 + (CrownShare * u)) }),
            "cut.stumpDiameterM" => OfCut(
                "diameter at the cut",
                (c, u) => c with { StumpDiameterM = c.StumpDiameterM * (1 + (CutShare * u)) }
            ),
            "cut.hingeThicknessM" => OfCut(
                "thickness of the hinge",
                (c, u) => c with { HingeThicknessM = c.HingeThicknessM * (1 + (CutShare * u)) }
            ),
            "cut.notch.depthM" => OfCut(
                "depth of the notch",
                (c, u) => c with { Notch = c.Notch with { DepthM = c.Notch.DepthM * (1 + (CutShare * u)) } }
            ),
            _ => OfLine(path),
        };

    private static GuessedFigure? OfLine(string path)
    {
        if (MemberPaths.LineOf(path) is not { } at)
        {
            return null;
        }

        return path[(path.IndexOf('.', StringComparison.Ordinal) + 1)..] switch
        {
            "seat.heightM" => OfLine(
                at,
                "height of the seat",
                (l, u) => l with { Seat = l.Seat with { HeightM = l.Seat.HeightM + (SeatM * u) } }
            ),
            "anchor.distanceM" => OfLine(
                at,
                "distance of the anchor",
                (l, u) =>
                    l with
                    {
                        Anchor = l.Anchor with { DistanceM = l.Anchor.DistanceM * (1 + (DistanceShare * u)) },
                    }
            ),
            "anchor.bearingDeg" => OfLine(
                at,
                "bearing of the anchor",
                (l, u) =>
                    l with
                    {
                        Anchor = l.Anchor with { BearingDeg = (l.Anchor.BearingDeg + (BearingDeg * u) + 360) % 360 },
                    }
            ),
            "anchor.groundRiseM" => OfLine(
                at,
                "rise of the ground to the anchor",
                (l, u) => l with { Anchor = l.Anchor with { GroundRiseM = l.Anchor.GroundRiseM + (RiseM * u) } }
            ),
            _ => null,
        };
    }

    private static GuessedFigure OfTree(string name, Func<TreeMembers, double, TreeMembers> moved) =>
        new(name, (p, u) => p.WithTree(t => moved(t, u)));

    private static GuessedFigure OfCrown(string name, Func<CrownMembers, double, CrownMembers> moved) =>
        OfTree(name, (t, u) => t with { Crown = moved(t.Crown, u) });

    private static GuessedFigure OfReach(string way, Func<ReachMembers, double, ReachMembers> moved) =>
        OfCrown($"reach of the crown to the {way}", (c, u) => c with { ReachM = moved(c.ReachM, u) });

    private static GuessedFigure OfCut(string name, Func<CutMembers, double, CutMembers> moved) =>
        new(name, (p, u) => p with { Cut = moved(p.Cut, u) });

    private static GuessedFigure OfLine(int at, string name, Func<LineMembers, double, LineMembers> moved) =>
        new(
            at == 0 ? name : $"{name} of line {at + 1}",
            (p, u) => at < p.Lines.Count ? p.WithLine(at, l => moved(l, u)) : p
        );
}
