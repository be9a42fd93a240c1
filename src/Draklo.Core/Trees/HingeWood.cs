using Draklo.Core.Plans;

namespace Draklo.Core.Trees;

/// <summary>The wood that is really left in a hinge: tapered, with bites and rot taken out, strip by strip.</summary>
/// <remarks>
/// Method M6 for a hinge that is no even plank: its sums become integrals over the length. An even hinge gives the
/// closed forms.
/// </remarks>
/// <param name="BendingM3">∫ t² dy / 6 of what is cut to stay, rot counted as wood, m³.</param>
/// <param name="SideRightM3">Section modulus sideways while the tree goes to the right, m³: the second moment about the
/// middle of the wood, over the distance to the left end, which is stretched.</param>
/// <param name="SideLeftM3">The same to the left.</param>
/// <param name="TwistM3">∫ t³ dy / 3 over the largest thickness, less what the ends lose, m³.</param>
/// <param name="LengthLeftM">Length over which wood is left, metres.</param>
/// <param name="ShareLeft">Wood left over wood of an even, whole hinge, 0 to 1.</param>
/// <param name="ThinnestEndM">Thickness at the thinner end as cut, metres; 0 where a bite takes it.</param>
internal readonly record struct HingeWood(
    double BendingM3,
    double SideRightM3,
    double SideLeftM3,
    double TwistM3,
    double LengthLeftM,
    double ShareLeft,
    double ThinnestEndM
)
{
    private const int Strips = 400;
    private const double EndLoss = 0.63;

    /// <summary>Of the hinge's thickness: what is left thinner does not count.</summary>
    private const double LeastShare = 0.25;

    /// <summary>Section modulus sideways, m³.</summary>
    /// <param name="goesRight">Null where the tree wants to neither side: the weaker of both.</param>
    public double SideM3(bool? goesRight) =>
        goesRight switch
        {
            true => SideRightM3,
            false => SideLeftM3,
            null => Math.Min(SideRightM3, SideLeftM3),
        };

    public static bool IsEven(CutMembers cut) => cut is { HingeTaperM: 0, Bites.Count: 0, Rot.Count: 0 };

    /// <param name="length">Of the notch's apex, metres.</param>
    public static HingeWood Of(CutMembers cut, double length)
    {
        var t = cut.HingeThicknessM;
        if (IsEven(cut))
        {
            var side = t * length * length / 6;
            return new(length * t * t / 6, side, side, length * t * t / 3 * (1 - (EndLoss * t / length)), length, 1, t);
        }

        var apex = (cut.StumpDiameterM / 2) - cut.Notch.DepthM;
        var dy = length / Strips;
        Span<double> left = stackalloc double[Strips];
        left.Clear();
        double bending = 0;
        double area = 0;
        double first = 0;
        double twist = 0;
        double most = 0;
        double lengthLeft = 0;
        for (var i = 0; i < Strips; i++)
        {
            var y = Across(i);
            var cutTo = Bitten(cut, y) ? 0 : Math.Max(0, t + (cut.HingeTaperM * y / length));
            bending += cutTo * cutTo * dy / 6;
            var wood = cutTo - Rotten(cut, y, apex, cutTo);
            if (wood < LeastShare * t)
            {
                // A sliver tears before the rest has taken up its part.
                continue;
            }

            left[i] = wood;
            area += wood * dy;
            first += wood * y * dy;
            twist += wood * wood * wood * dy / 3;
            most = Math.Max(most, wood);
            lengthLeft += dy;
        }

        if (area <= 0)
        {
            return default;
        }

        var middle = first / area;
        double second = 0;
        var (leftEnd, rightEnd) = (double.PositiveInfinity, double.NegativeInfinity);
        for (var i = 0; i < Strips; i++)
        {
            if (left[i] > 0)
            {
                var y = Across(i);
                second += left[i] * (y - middle) * (y - middle) * dy;
                leftEnd = Math.Min(leftEnd, y - (dy / 2));
                rightEnd = Math.Max(rightEnd, y + (dy / 2));
            }
        }

        return new(
            bending,
            second / Math.Max(dy, middle - leftEnd),
            second / Math.Max(dy, rightEnd - middle),
            twist / most * Math.Max(0, 1 - (EndLoss * most / Math.Max(most, lengthLeft))),
            lengthLeft,
            Math.Min(1, area / (t * length)),
            Math.Max(0, Math.Min(EndAt(-length / 2), EndAt(length / 2)))
        );

        double Across(int strip) => ((strip + 0.5) * dy) - (length / 2);

        double EndAt(double y) => Bitten(cut, y * (1 - (1.0 / Strips))) ? 0 : t + (cut.HingeTaperM * y / length);
    }

    private static bool Bitten(CutMembers cut, double y)
    {
        foreach (var bite in cut.Bites)
        {
            if (Math.Abs(y - bite.RightM) < bite.WidthM / 2)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>How much of the strip from the apex back is rotten, metres; patches that lie over one another count once.</summary>
    private static double Rotten(CutMembers cut, double y, double apex, double thickness)
    {
        double rotten = 0;
        var reached = apex - thickness;
        while (true)
        {
            // The patch that begins nearest ahead of what has been walked.
            var (from, to) = (double.PositiveInfinity, reached);
            foreach (var rot in cut.Rot)
            {
                var off = y - rot.RightM;
                var radius = rot.AcrossM / 2;
                if (Math.Abs(off) >= radius)
                {
                    continue;
                }

                var half = Math.Sqrt((radius * radius) - (off * off));
                var (begins, ends) = (Math.Max(reached, rot.ForwardM - half), Math.Min(apex, rot.ForwardM + half));
                if (ends > begins && begins < from)
                {
                    (from, to) = (begins, ends);
                }
            }

            if (double.IsPositiveInfinity(from))
            {
                return rotten;
            }

            rotten += to - from;
            reached = to;
        }
    }
}
