using Draklo.Core.Carrying;
using Draklo.Core.Days;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Questions;

/// <summary>What a question may need beside its document: the server knows it, and a device as it was taken along.</summary>
public interface IAtHand
{
    /// <summary>What the crew keeps that plans are held against.</summary>
    /// <param name="units">Of the words for how a piece stands.</param>
    Yard Yard(UnitSystem units);

    /// <summary>The locker as a whole.</summary>
    CarriedLocker Locker { get; }

    /// <summary>Light and wind of a day; without a day, neither.</summary>
    DaySetting SettingOf(Plan plan, DateOnly? day);

    /// <summary>Of the crew's clock from UTC, where they are now.</summary>
    TimeSpan ClockOffset { get; }
}

/// <summary>How something was asked: what its address held, what is at hand, and whether it is still waited for.</summary>
public sealed class Asked
{
    private readonly Dictionary<string, object?> values = new(StringComparer.Ordinal);

    private Asked(IAtHand atHand, CancellationToken stop)
    {
        AtHand = atHand;
        Stop = stop;
    }

    /// <summary>What the question may need beside its document.</summary>
    public IAtHand AtHand { get; }

    /// <summary>Set when nobody waits for the answer any more.</summary>
    public CancellationToken Stop { get; }

    /// <summary>Told how many of how many steps are done, where an answer takes long.</summary>
    public Action<int, int>? Progress { get; init; }

    /// <summary>The units that sentences are written in.</summary>
    public UnitSystem Units => Of(Question.Units);

    /// <summary>What the address holds for a parameter, or what is usual.</summary>
    /// <exception cref="KeyNotFoundException">The question has no such parameter.</exception>
    public T Of<T>(Parameter<T> parameter) => (T)values[parameter.Name]!;

    /// <summary>Reads an address.</summary>
    /// <param name="textOf">What the address holds under a name; null where it leaves it out.</param>
    /// <returns>Null with a problem for each parameter that does not fit.</returns>
    public static (Asked? Asked, List<Problem> Problems) Of(
        Question question,
        Func<string, string?> textOf,
        IAtHand atHand,
        CancellationToken stop,
        Action<int, int>? progress = null
    )
    {
        var asked = new Asked(atHand, stop) { Progress = progress };
        var problems = new List<Problem>();
        foreach (var parameter in question.Parameters)
        {
            var (value, problem) = parameter.Read(textOf(parameter.Name));
            asked.values[parameter.Name] = value;
            if (problem is { } wrong)
            {
                problems.Add(wrong);
            }
        }

        return (problems.Count > 0 ? null : asked, problems);
    }
}
