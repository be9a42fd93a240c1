using System.Runtime.CompilerServices;

namespace Draklo.Core.Units;

/// <summary>One number with the sum behind it.</summary>
public sealed record Working
{
    /// <summary>Stable name; lines prefix theirs with their id, as in "main.forward-arm".</summary>
    public required string Id { get; init; }

    public required string Name { get; init; }

    public required string Symbol { get; init; }

    /// <summary>The value, in the SI unit that <see cref="Unit"/> names.</summary>
    public required double Value { get; init; }

    /// <summary>m, cm, mm, N, Nm, MPa, GPa, kg, kg/m3, m2, m3, J, deg, m/s, % or x; lengths are always metres and stresses pascals, the name only says how they are best written.</summary>
    public required string Unit { get; init; }

    /// <summary>The formula in symbols.</summary>
    public required string Formula { get; init; }

    /// <summary>The formula with the figures put in, in the reader's units.</summary>
    public required string Substituted { get; init; }

    /// <summary>The method number in docs/methods.md.</summary>
    public required string Method { get; init; }

    /// <summary>True when it rests on a tabled figure, a rule of thumb or a guess.</summary>
    public required bool Estimate { get; init; }
}

/// <summary>Collects workings while the result itself is computed, from the same values.</summary>
/// <remarks>Pass null instead of one where nobody will read them: nothing is then formatted.</remarks>
public sealed class Workings(UnitSystem units)
{
    private readonly List<Working> list = new(64);

    public UnitSystem Units { get; } = units;

    public IReadOnlyList<Working> List => list;

    public void Add(
        string id,
        string name,
        string symbol,
        double value,
        string unit,
        string formula,
        [InterpolatedStringHandlerArgument("")] ref Phrase substituted,
        string method,
        bool estimate = false
    ) =>
        list.Add(
            new()
            {
                Id = id,
                Name = name,
                Symbol = symbol,
                Value = value,
                Unit = unit,
                Formula = formula,
                Substituted = substituted.ToText(),
                Method = method,
                Estimate = estimate,
            }
        );
}
