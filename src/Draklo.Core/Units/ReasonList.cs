using System.Runtime.CompilerServices;

namespace Draklo.Core.Units;

/// <summary>Collects the reasons of a verdict, each with its code, its sentence and the figures behind it.</summary>
public sealed class ReasonList(UnitSystem units)
{
    private readonly List<Reason> list = [];

    public UnitSystem Units { get; } = units;

    public IReadOnlyList<Reason> List => list;

    public void Add(Reason reason) => list.Add(reason);

    public void Add(
        VerdictState state,
        string code,
        string text,
        string? path = null,
        string? link = null,
        params ReadOnlySpan<(string Name, double Value)> values
    ) => list.Add(new(code, state, text, path, link, ReasonValueCollection.Of(values)));

    public void Stop(
        string code,
        [InterpolatedStringHandlerArgument("")] ref Phrase text,
        string? path = null,
        string? link = null,
        params ReadOnlySpan<(string Name, double Value)> values
    ) => Add(VerdictState.Stop, code, text.ToText(), path, link, values);

    public void Check(
        string code,
        [InterpolatedStringHandlerArgument("")] ref Phrase text,
        string? path = null,
        string? link = null,
        params ReadOnlySpan<(string Name, double Value)> values
    ) => Add(VerdictState.Check, code, text.ToText(), path, link, values);

    /// <summary>A sentence without figures.</summary>
    public void Stop(
        string code,
        string text,
        string? path = null,
        string? link = null,
        params ReadOnlySpan<(string Name, double Value)> values
    ) => Add(VerdictState.Stop, code, text, path, link, values);

    /// <inheritdoc cref="Stop(string, string, string?, string?, ReadOnlySpan{ValueTuple{string, double}})"/>
    public void Check(
        string code,
        string text,
        string? path = null,
        string? link = null,
        params ReadOnlySpan<(string Name, double Value)> values
    ) => Add(VerdictState.Check, code, text, path, link, values);

    /// <inheritdoc cref="Stop(string, string, string?, string?, ReadOnlySpan{ValueTuple{string, double}})"/>
    public void Remark(
        string code,
        string text,
        string? path = null,
        params ReadOnlySpan<(string Name, double Value)> values
    ) => Add(VerdictState.Ready, code, text, path, null, values);

    /// <summary>Something to know that holds nothing up.</summary>
    public void Remark(
        string code,
        [InterpolatedStringHandlerArgument("")] ref Phrase text,
        string? path = null,
        params ReadOnlySpan<(string Name, double Value)> values
    ) => Add(VerdictState.Ready, code, text.ToText(), path, null, values);
}
