using System.Runtime.CompilerServices;

namespace Draklo.Core.Units;

/// <summary>One number with the sum behind it.</summary>
/// <param name="Id">Stable name; lines prefix theirs with their id, as in "main.forward-arm".</param>
/// <param name="Value">The value, in the SI unit that <paramref name="Unit"/> names.</param>
/// <param name="Unit">m, cm, mm, N, Nm, MPa, GPa, kg, kg/m3, m2, m3, J, deg, m/s, % or x; lengths are always metres and
/// stresses pascals, the name only says how they are best written.</param>
/// <param name="Formula">The formula in symbols.</param>
/// <param name="Substituted">The formula with the figures put in, in the reader's units.</param>
/// <param name="Method">The method number in docs/methods.md.</param>
/// <param name="Estimate">True when it rests on a tabled figure, a rule of thumb or a guess.</param>
public sealed record Working(
    string Id,
    string Name,
    string Symbol,
    double Value,
    string Unit,
    string Formula,
    string Substituted,
    string Method,
    bool Estimate
);

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
    ) => list.Add(new(id, name, symbol, value, unit, formula, substituted.ToText(), method, estimate));
}
