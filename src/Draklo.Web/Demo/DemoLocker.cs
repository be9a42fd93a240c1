using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Store;

namespace Draklo.Web.Demo;

/// <summary>
/// The made-up locker that a new data folder is given. Its days are moved along, so that it is as old on the day it is
/// opened as on the day it was written.
/// </summary>
internal static class DemoLocker
{
    private static readonly DateOnly WrittenOn = new(2026, 11, 25);

    public static void AddTo(
        LockerStore locker,
        PolicyStore policies,
        TackleStore tackles,
        PersonStore people,
        SetStore sets
    )
    {
        using var stream = typeof(DemoLocker).Assembly.GetManifestResourceStream("Draklo.Web.Demo.locker.json")!;
        using var bytes = new MemoryStream();
        stream.CopyTo(bytes);
        var (document, problems) = DocumentReader.Read<LockerDocument>(bytes.ToArray());
        if (document is null)
        {
            throw new InvalidOperationException(
                $"The demo locker does not read: {string.Join(' ', problems.Select(p => $"{p.Path}: {p.Message}"))}"
            );
        }

        var shift = locker.Today.DayNumber - WrittenOn.DayNumber;
        locker.Fill(
            document.Pieces.Select(piece =>
                (
                    piece.Item with
                    {
                        MadeOn = Moved(piece.Item.MadeOn, shift),
                        InServiceOn = Moved(piece.Item.InServiceOn, shift),
                    },
                    piece.Uses.Select(use => use with { On = Moved(use.On, shift)! }),
                    piece.Inspections.Select(inspection => inspection with { On = Moved(inspection.On, shift)! })
                )
            )
        );
        locker.Keep(document.Rules);
        foreach (var policy in document.Policies)
        {
            policies.Keep(policy);
        }

        foreach (var person in document.People)
        {
            people.Keep(person);
        }

        foreach (var set in document.Sets)
        {
            sets.Keep(set);
        }

        foreach (var tackle in document.Tackles)
        {
            tackles.Keep(tackle);
        }
    }

    private static string? Moved(string? day, int shift) => GearRules.Day(day)?.AddDays(shift).ToString("yyyy-MM-dd");

    private sealed record LockerDocument
    {
        public required LockerRules Rules { get; init; }

        public required IReadOnlyList<Policy> Policies { get; init; }

        public required IReadOnlyList<OwnTackle> Tackles { get; init; }

        public required IReadOnlyList<PlanSet> Sets { get; init; }

        public required IReadOnlyList<Person> People { get; init; }

        public required IReadOnlyList<PieceDocument> Pieces { get; init; }
    }

    private sealed record PieceDocument
    {
        public required GearItem Item { get; init; }

        public IReadOnlyList<Inspection> Inspections { get; init; } = [];

        public IReadOnlyList<GearUse> Uses { get; init; } = [];
    }
}
