using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Questions;

/// <summary>Who may wait for an answer, and where it is worked out.</summary>
public enum Weight
{
    /// <summary>Follows a hand: it is answered at once.</summary>
    Light,

    /// <summary>Takes up to some seconds: the server works such questions out one by one, a browser in a worker of their own.</summary>
    Heavy,

    /// <summary>Tries thousands of ways: one at a time too, and the others do not wait for it.</summary>
    Search,
}

/// <summary>
/// A question that the core answers, described once: the server maps it, the core in the browser looks it up, the API's
/// description and the front end's client are made from it.
/// </summary>
public abstract class Question
{
    /// <summary>Each question has it.</summary>
    public static UnitChoice Units { get; } = new();

    /// <summary>Where it is asked, from "/api" on. The document is the body of a POST.</summary>
    public required string Path { get; init; }

    /// <summary>Its name in the API and in the front end, as in "stemProfile".</summary>
    public required string Name { get; init; }

    /// <summary>Under what it stands in the API's description.</summary>
    public required string Tag { get; init; }

    /// <summary>What it answers, in one sentence.</summary>
    public required string Summary { get; init; }

    /// <summary>What else is worth knowing; empty for nothing.</summary>
    public string Description { get; init; } = "";

    /// <summary>What may stand beside the document, units first.</summary>
    public IReadOnlyList<Parameter> Parameters { get; private init; } = [Units];

    /// <summary>What it takes beside units.</summary>
    public IReadOnlyList<Parameter> With
    {
        init => Parameters = [Units, .. value];
    }

    /// <summary>How long it takes, as a rule.</summary>
    public Weight Weight { get; init; }

    /// <summary>It is heavy only where this is above 0; null where <see cref="Weight"/> says all.</summary>
    public WholeNumber? HeavyAbove { get; init; }

    /// <summary>Whether only a device asks it, about what it took along: the server has paths of its own for that.</summary>
    public bool IsOfDevice { get; init; }

    /// <summary>The record that its body is read into.</summary>
    public abstract Type Document { get; }

    /// <summary>The record that it answers with.</summary>
    public abstract Type Answer { get; }

    /// <summary>Whether it takes long as it was asked.</summary>
    public bool IsHeavy(Asked asked) => HeavyAbove is { } above ? asked.Of(above) > 0 : Weight != Weight.Light;

    /// <summary>Works it out for whoever knows the answer's type.</summary>
    /// <returns>What the receiver makes of the answer or of the problems.</returns>
    public abstract TResult Ask<TResult>(ReadOnlyMemory<byte> body, Asked asked, IAnswered<TResult> to);
}

/// <summary>Receives an answer with its type.</summary>
public interface IAnswered<out TResult>
{
    /// <param name="answer">Null where the problems say why.</param>
    TResult Take<T>(T? answer, IReadOnlyList<Problem> problems)
        where T : class;
}

/// <summary>A question of one kind of document with one kind of answer.</summary>
/// <param name="answer">Pure: the document, and how it was asked.</param>
public sealed class Question<TDocument, TAnswer>(
    Func<TDocument, Asked, (TAnswer? Answer, IReadOnlyList<Problem> Problems)> answer
) : Question
    where TDocument : class
    where TAnswer : class
{
    /// <summary>Reads the body, where it is more than one document; as the document's members say, without.</summary>
    public Func<ReadOnlyMemory<byte>, (TDocument? Document, List<Problem> Problems)>? Reads { get; init; }

    /// <summary>What the body is described as, where <see cref="Reads"/> takes more than that.</summary>
    public Type? Described { get; init; }

    /// <inheritdoc/>
    public override Type Document => Described ?? typeof(TDocument);

    /// <inheritdoc/>
    public override Type Answer => typeof(TAnswer);

    /// <inheritdoc/>
    public override TResult Ask<TResult>(ReadOnlyMemory<byte> body, Asked asked, IAnswered<TResult> to)
    {
        // What a device kept was written by the server: it is read as it was written.
        var (document, problems) =
            IsOfDevice ? (JsonTypes.Read<TDocument>(body.Span), [])
            : Reads is { } reads ? reads(body)
            : DocumentReader.Read<TDocument>(body);
        if (document is null)
        {
            return to.Take<TAnswer>(null, problems);
        }

        var (made, wrong) = answer(document, asked);
        return to.Take(made, wrong);
    }
}
