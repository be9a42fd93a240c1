using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Trees;

/// <summary>The strip of wood that the tree turns on.</summary>
/// <remarks>Method M6.</remarks>
public readonly record struct Hinge
{
    /// <summary>Across the lay at the notch's apex, metres.</summary>
    public required double Length { get; init; }

    /// <summary>Along the lay, metres.</summary>
    public required double Thickness { get; init; }

    /// <summary>Forward of the stump's middle, metres; negative when it lies behind.</summary>
    public required double Offset { get; init; }

    /// <summary>What it takes to bend it forward, N·m, with sound wood: decay elsewhere must not make the pull look lighter.</summary>
    public required double Bending { get; init; }

    /// <summary>What it carries sideways while it bends, N·m, with the wood's soundness taken off.</summary>
    public required double SideCapacity { get; init; }

    /// <summary>Bending strength of the wood as it is, Pa.</summary>
    public required double Strength { get; init; }

    /// <summary>Over which wood is left beside bites and rot, metres.</summary>
    public required double LengthLeft { get; init; }

    /// <summary>Wood left over that of an even, whole hinge, 0 to 1.</summary>
    public required double ShareLeft { get; init; }

    /// <summary>Thickness at its thinner end, metres.</summary>
    public required double ThinnestEnd { get; init; }

    /// <summary>What it carries before it turns about its own length, N·m: τ·L·t²/3·(1 − 0.63·t/L), τ 0.12 of the bending strength: an estimate.</summary>
    public required double TwistCapacity { get; init; }

    /// <summary>The fibres already yield forward, so half their strength is left to guide sideways.</summary>
    private const double SideShare = 0.5;
    private const double ShearShare = 0.12;

    /// <summary>How far the middle of a cut's hinge lies forward of the stump's, metres.</summary>
    public static double OffsetOf(CutMembers cut) =>
        (cut.StumpDiameterM / 2) - cut.Notch.DepthM - (cut.HingeThicknessM / 2);

    /// <param name="goesRight">Whether the tree wants to the right of the lay: a tapered hinge is stronger to one side. Null: to neither.</param>
    public static Hinge From(CutMembers cut, TreeMembers tree, bool? goesRight, Workings? workings)
    {
        var radius = cut.StumpDiameterM / 2;
        var depth = cut.Notch.DepthM;
        var t = cut.HingeThicknessM;
        var length = 2 * Math.Sqrt((radius * radius) - ((radius - depth) * (radius - depth)));
        var sound = Wood.Of(tree).Strength;
        var soundness = Soundness.Of(tree).Value;
        var strength = sound * soundness;
        var wood = HingeWood.Of(cut, length);
        // The end away from the side it goes to is stretched; which side that is follows the lean.
        var side = SideShare * strength * wood.SideM3(goesRight);
        var hinge = new Hinge
        {
            Length = length,
            Thickness = t,
            Offset = OffsetOf(cut),
            Bending = sound * wood.BendingM3,
            SideCapacity = side,
            Strength = strength,
            LengthLeft = wood.LengthLeftM,
            ShareLeft = wood.ShareLeft,
            ThinnestEnd = wood.ThinnestEndM,
            TwistCapacity = ShearShare * strength * wood.TwistM3,
        };
        if (workings is not null)
        {
            workings.Add(
                "hinge-length",
                "Hinge length",
                "L",
                length,
                "cm",
                "L = 2 · √(r² − (r − n)²)",
                $"2 · √(({radius:cm})² − ({radius - depth:cm})²)",
                "M6"
            );
            workings.Add(
                "hinge-offset",
                "Hinge forward of the stump's middle",
                "x_h",
                hinge.Offset,
                "cm",
                "x_h = r − n − t/2",
                $"{radius:cm} − {depth:cm} − {t / 2:cm}",
                "M6"
            );
            AddStrength(workings, cut, hinge, wood, (sound, soundness));
        }

        return hinge;
    }

    private static void AddStrength(
        Workings workings,
        CutMembers cut,
        Hinge hinge,
        HingeWood wood,
        (double Sound, double Soundness) strength
    )
    {
        var (sound, soundness) = strength;
        var even = HingeWood.IsEven(cut);
        var units = workings.Units;
        var bends = even
            ? units.Say($"{hinge.Length:cm} · ({hinge.Thickness:cm})² / 6")
            : units.Say($"{wood.BendingM3 * 1e6:x} cm³");
        var holds = even
            ? units.Say($"{hinge.Thickness:cm} · ({hinge.Length:cm})² / 6")
            : units.Say(
                $"{hinge.SideCapacity / (SideShare * hinge.Strength) * 1e6:x} cm³; {wood.ShareLeft:%} of an even hinge is left, over {wood.LengthLeftM:cm}"
            );
        workings.Add(
            "hinge-bending",
            "What bends the hinge",
            "M_h",
            hinge.Bending,
            "Nm",
            even ? "M_h = MOR · L · t² / 6" : "M_h = MOR · ∫ t² dy / 6, over the hinge as it is cut",
            $"{sound:MPa} · {bends}",
            "M6",
            estimate: true
        );
        workings.Add(
            "hinge-side-capacity",
            "What the hinge carries sideways",
            "M_side",
            hinge.SideCapacity,
            "Nm",
            even
                ? "M_side = 0.5 · MOR · soundness · t · L² / 6"
                : "M_side = 0.5 · MOR · soundness · I / c, of the wood left beside taper, bites and rot",
            $"0.5 · {sound:MPa} · {soundness:x} · {holds}",
            "M6",
            estimate: true
        );
    }

    /// <summary>
    /// How far the hinge bends before it lets go, degrees: the smaller of the notch's opening and what the wood has
    /// left beside its work sideways.
    /// </summary>
    /// <param name="sideUse">Sideways moment over <see cref="SideCapacity"/>, 0 and up: the worst of needed, planned and
    /// slack lines, for after commit the lines go slack.</param>
    public static Spread HoldDeg(Spread wood, double notchOpeningDeg, double sideUse)
    {
        var left = Math.Max(0, 1 - sideUse);
        return new(
            Math.Min(notchOpeningDeg, wood.Low * left),
            Math.Min(notchOpeningDeg, wood.Nominal * left),
            Math.Min(notchOpeningDeg, wood.High * left)
        );
    }

    /// <summary>How far this tree's wood bends with no work sideways, degrees. Dead or decayed wood is brittle.</summary>
    public static Spread WoodDeg(PlanContext context) =>
        IsBrittle(context) ? WoodDeg(HingeClass.Brittle)
        : context.Plan.Cut.Holds is { } own ? new(own.LowDeg, own.NominalDeg, own.HighDeg)
        : WoodDeg(context.Tree.Wood.HingeClass);

    /// <summary>Degrees that a hinge of such wood holds before it breaks, 0 to 90.</summary>
    public static Spread WoodDeg(HingeClass wood) =>
        wood switch
        {
            HingeClass.Brittle => new(10, 15, 25),
            HingeClass.Fair => new(25, 35, 45),
            HingeClass.Strong => new(45, 60, 80),
        };

    private static bool IsBrittle(PlanContext context) =>
        context.Plan.Tree.Condition.Dead || context.Tree.Soundness.Value < Soundness.Decayed;
}
