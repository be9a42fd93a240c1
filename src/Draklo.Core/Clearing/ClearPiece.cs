using Draklo.Core.Plans;
using Draklo.Core.Trees;

namespace Draklo.Core.Clearing;

/// <summary>A piece to be moved, or several alike.</summary>
public sealed record ClearPiece
{
    /// <summary>Of the piece; "stem-1" and so on for those of the own stem, from the butt.</summary>
    public required string Id { get; init; }

    public required string Name { get; init; }

    /// <summary>How many alike, 1 or more.</summary>
    public required int Count { get; init; }

    /// <summary>Of a piece of the own stem: where it begins, metres along the stem from the felling cut.</summary>
    public required double? FromM { get; init; }

    /// <summary>Metres.</summary>
    public required double LengthM { get; init; }

    /// <summary>Diameter at the thick end, metres.</summary>
    public required double ButtM { get; init; }

    /// <summary>Diameter at its thin end.</summary>
    public required double TopM { get; init; }

    /// <summary>Of one.</summary>
    public required double MassKg { get; init; }

    /// <summary>From its butt.</summary>
    public required double CentreM { get; init; }

    /// <summary>Metres along the section; of one that has its place on the plan, where that lies along it.</summary>
    public required double AtM { get; init; }

    /// <summary>Metres to the right of the section.</summary>
    public required double AsideM { get; init; }

    public required PlaceMembers? Place { get; init; }

    /// <summary>Whether somebody put it on a scale.</summary>
    public required bool Weighed { get; init; }

    private const int Slices = 40;

    /// <summary>Of one, newtons.</summary>
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
    public static Stem StemOf(Plan plan) => Stem.Of(plan.Tree, plan.Cut.StumpHeightM);

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
            yield return new()
            {
                Id = $"stem-{number}",
                Name = to == stem.LengthAboveCut ? "Top of the stem" : $"Log {number}",
                Count = 1,
                FromM = from,
                LengthM = to - from,
                ButtM = stem.DiameterAt(from),
                TopM = stem.DiameterAt(to),
                MassKg = volume * density,
                CentreM = centre - from,
                AtM = at,
                AsideM = 0,
                Place = null,
                Weighed = false,
            };
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
        return new()
        {
            Id = piece.Id,
            Name = piece.Name.Length > 0 ? piece.Name : piece.Id,
            Count = piece.Count,
            FromM = null,
            LengthM = piece.LengthM,
            ButtM = piece.ButtM,
            TopM = piece.TopM ?? piece.ButtM,
            MassKg = piece.MassKg ?? (volume * density),
            CentreM = centre,
            AtM = at,
            AsideM = aside,
            Place = piece.Place,
            Weighed = piece.MassKg is not null,
        };
    }

    private static double Square(double x) => x * x;
}
