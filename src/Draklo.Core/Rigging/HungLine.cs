namespace Draklo.Core.Rigging;

/// <summary>A load on a carriage at one place of a line, held there by a hauling line that runs along it.</summary>
/// <param name="SagM">Of the load under the straight line between the ends.</param>
/// <param name="LevelN">Level part of each side's pull.</param>
/// <param name="LeftN">All that pulls on the left side: the line, and the hauling line where it holds from there.</param>
/// <param name="RightN">The same on the right side.</param>
/// <param name="LeftFallM">How far the load hangs under the left end; less than 0 for above it.</param>
/// <param name="RightFallM">Under the right end.</param>
public readonly record struct HungLoad(
    double SagM,
    double LevelN,
    double LeftN,
    double RightN,
    double LeftFallM,
    double RightFallM
)
{
    /// <summary>In the line itself, the same on both sides of a carriage that rolls without friction.</summary>
    public double TensionN => Math.Min(LeftN, RightN);

    /// <summary>What holds the carriage at its place: positive from the left end, negative from the right one.</summary>
    public double HeldN => LeftN - RightN;
}

/// <summary>A line between two ends, its own weight left out.</summary>
/// <remarks>
/// Method M19. A carriage passes the line's tension on unchanged; the steeper side carries more, and what it carries more
/// is in the hauling line beside it. So the line's tension is that of the flatter side, and its length under that tension
/// says how far it sags: found by false position.
/// </remarks>
/// <param name="SpanM">Level, over 0.</param>
/// <param name="DropM">How much lower the right end is.</param>
/// <param name="SlackM">Length without tension.</param>
/// <param name="StiffnessN">Force for a stretch of its whole length.</param>
public readonly record struct HungLine(double SpanM, double DropM, double SlackM, double StiffnessN)
{
    private const int MostSteps = 80;

    /// <summary>A line that has a tension before the load.</summary>
    public static HungLine Tight(double span, double drop, double tension, double stiffness) =>
        new(span, drop, Hypotenuse(span, drop) / (1 + (tension / stiffness)), stiffness);

    /// <summary>A line that sags so far under a load at mid-span.</summary>
    public static HungLine Sagging(double span, double drop, double sag, double weight, double stiffness)
    {
        var any = new HungLine(span, drop, span, stiffness);
        var hung = any.At(weight, span / 2, sag);
        var length = any.LengthAt(span / 2, sag);
        return any with { SlackM = length / (1 + (hung.TensionN / stiffness)) };
    }

    /// <summary>What a line carries that sags so far under a load at mid-span.</summary>
    public static double TensionAtMid(double span, double drop, double sag, double weight) =>
        new HungLine(span, drop, span, 1).At(weight, span / 2, sag).TensionN;

    /// <param name="at">Level from the left end, over 0 and under the span.</param>
    public HungLoad Under(double weight, double at)
    {
        // More sag is more length and less tension: the line is too long for little sag and too short for much. It is
        // looked for about the ellipse that a line without stretch would draw.
        var chord = Hypotenuse(SpanM, DropM);
        var spare = Math.Max((SlackM * SlackM) - (chord * chord), 1e-4 * chord * chord);
        var guess = Math.Sqrt(spare * at * (SpanM - at)) / SpanM;
        var (low, high) = (guess / 1.4, guess * 1.4);
        var (under, over) = (TooLong(weight, at, low), TooLong(weight, at, high));
        while (under > 0 && low > SpanM * 1e-9)
        {
            (high, over) = (low, under);
            low /= 2;
            under = TooLong(weight, at, low);
        }

        while (over < 0 && high < 1e6)
        {
            (low, under) = (high, over);
            high *= 2;
            over = TooLong(weight, at, high);
        }

        var sag = (low + high) / 2;
        for (var i = 0; i < MostSteps && high - low > 1e-9 * SpanM; i++)
        {
            // By halves while the low end is far off: tension there is nearly without bounds.
            sag = -under > 4 * over ? (low + high) / 2 : ((low * over) - (high * under)) / (over - under);
            var rest = TooLong(weight, at, sag);
            if (Math.Abs(rest) < 1e-10 * SlackM)
            {
                break;
            }

            if (rest < 0)
            {
                (low, under) = (sag, rest);
                over /= 2;
            }
            else
            {
                (high, over) = (sag, rest);
                under /= 2;
            }
        }

        return At(weight, at, sag);
    }

    /// <summary>How much longer the way over the load is than the line under its tension.</summary>
    private double TooLong(double weight, double at, double sag)
    {
        // As At and LengthAt together, with each side's length worked out once: this is what is asked most often.
        var (v, w) = Falls(at, sag);
        var rest = SpanM - at;
        var (left, right) = (Hypotenuse(at, v), Hypotenuse(rest, w));
        var tension = weight / (SpanM * sag) * Math.Min(left * rest, right * at);
        return left + right - (SlackM * (1 + (tension / StiffnessN)));
    }

    private double LengthAt(double at, double sag)
    {
        var (v, w) = Falls(at, sag);
        return Hypotenuse(at, v) + Hypotenuse(SpanM - at, w);
    }

    private HungLoad At(double weight, double at, double sag)
    {
        var (v, w) = Falls(at, sag);
        var level = weight * at * (SpanM - at) / (SpanM * sag);
        return new(sag, level, level * Hypotenuse(1, v / at), level * Hypotenuse(1, w / (SpanM - at)), v, w);
    }

    private (double Left, double Right) Falls(double at, double sag)
    {
        var left = sag + (DropM * at / SpanM);
        return (left, left - DropM);
    }

    private static double Hypotenuse(double x, double y) => Math.Sqrt((x * x) + (y * y));
}
