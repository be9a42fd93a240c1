using Draklo.Core.Plans;
using Draklo.Core.Trees;

namespace Draklo.Core.Clearing;

/// <summary>A piece to be moved, or several alike.</summary>
/// <param name="Id">Of the piece; "stem-1" and so on for those of the own stem, from the butt.</param>
/// <param name="FromM">Of a piece of the own stem: where it begins, metres along the stem from the felling cut.</param>
/// <param name="TopM">Diameter at its thin end.</param>
/// <param name="MassKg">Of one.</param>
/// <param name="CentreM">From its butt.</param>
/// <param name="AtM">Metres along the section; of one that has its place on the plan, where that lies along it.</param>
/// <param name="AsideM">Metres to the right of the section.</param>
/// <param name="Weighed">Whether somebody put it on a scale.</param>
public sealed record ClearPiece(
    string Id,
    string Name,
    int Count,
    double? FromM,
    double LengthM,
    double ButtM,
    double TopM,
    double MassKg,
    double CentreM,
    double AtM,
    double AsideM,
    PlaceMembers? Place,
    bool Weighed
)
{
    private const int Slices = 40;

    public double WeightN => MassKg * StandingTree.Gravity;

    /// <summary>Every piece: those of the own stem from its butt up, then the others.</summary>
    public static IReadOnlyList<ClearPiece> All(Plan plan, ClearingMembers clearing)
    {
        var density = Wood.Of(plan.Tree).Density;
        var pieces = new List<ClearPiece>();
        if (clearing.StemAtM is { } at)
        {
            pieces.AddRange(OfStem(StemOf(plan), clearing.StemCutsM, density, at));
        }

        var line = SectionLine.Of(clearing.Ground);
        pieces.AddRange(clearing.Pieces.Select(p => Given(p, density, line)));
        return pieces;
    }

    /// <summary>The plan's own stem, as the analysis has it.</summary>
    public static Stem StemOf(Plan plan) =>
        plan.Tree.Mass.Method == MassMethod.Sections
            ? new(plan.Tree.HeightM, plan.Tree.Mass.Sections, plan.Tree.TaperExponent, plan.Cut.StumpHeightM)
            : new(plan.Tree.HeightM, plan.Tree.DbhM, plan.Tree.TaperExponent, plan.Cut.StumpHeightM);

    /// <summary>The stem between the felling cut and its marks; what is left above the last one is a piece too.</summary>
    private static IEnumerable<ClearPiece> OfStem(Stem stem, IReadOnlyList<double> marks, double density, double at)
    {
        var from = 0.0;
        var number = 0;
        foreach (var to in marks.Where(m => m > 0 && m < stem.LengthAboveCut).Order().Append(stem.LengthAboveCut))
        {
            if (to - from < 1e-6)
            {
                continue;
            }

            number++;
            var (volume, centre) = Between(stem, from, to);
            yield return new(
                $"stem-{number}",
                to == stem.LengthAboveCut ? "Top of the stem" : $"Log {number}",
                1,
                from,
                to - from,
                stem.DiameterAt(from),
                stem.DiameterAt(to),
                volume * density,
                centre - from,
                at,
                0,
                null,
                Weighed: false
            );
            from = to;
        }
    }

    /// <summary>Volume of a part of the stem, m³, and where its mass acts, metres above the cut.</summary>
    private static (double Volume, double Centre) Between(Stem stem, double from, double to)
    {
        var step = (to - from) / Slices;
        var (volume, first) = (0.0, 0.0);
        for (var i = 0; i < Slices; i++)
        {
            // Simpson over each slice: the taper's own power is no polynomial.
            var (a, b, c) = (from + (i * step), from + ((i + 0.5) * step), from + ((i + 1) * step));
            var (da, db, dc) = (Square(stem.DiameterAt(a)), Square(stem.DiameterAt(b)), Square(stem.DiameterAt(c)));
            volume += step / 6 * (da + (4 * db) + dc);
            first += step / 6 * ((da * a) + (4 * db * b) + (dc * c));
        }

        return (Math.PI / 4 * volume, first / volume);
    }

    /// <summary>A frustum of a cone.</summary>
    private static ClearPiece Given(PieceMembers piece, double density, SectionLine? line)
    {
        var (at, aside) =
            piece.Place is { } place && line is { } section ? section.Of(place.EastM, place.NorthM) : (piece.AtM, 0);
        var (a, b) = (piece.ButtM / 2, (piece.TopM ?? piece.ButtM) / 2);
        var sum = (a * a) + (a * b) + (b * b);
        var volume = Math.PI * piece.LengthM / 3 * sum;
        var centre = piece.LengthM / 4 * ((a * a) + (2 * a * b) + (3 * b * b)) / sum;
        return new(
            piece.Id,
            piece.Name.Length > 0 ? piece.Name : piece.Id,
            piece.Count,
            null,
            piece.LengthM,
            piece.ButtM,
            piece.TopM ?? piece.ButtM,
            piece.MassKg ?? (volume * density),
            centre,
            at,
            aside,
            piece.Place,
            piece.MassKg is not null
        );
    }

    private static double Square(double x) => x * x;
}
