using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Text.Json;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Core.Tackle;

/// <summary>Tackles of the crew's own: from stages that haul one another, or from points and ropes.</summary>
/// <remarks>Method M7. The same members make the same system, which is rove once and remembered.</remarks>
public static class Composer
{
    public const string SystemId = "composed";
    internal const string LoopContact = "rope-on-rope";
    private const string Load = "load";

    /// <summary>More than these are not remembered: a crew has a handful, and whoever edits one makes many.</summary>
    private const int MostRemembered = 200;

    private static readonly ConcurrentDictionary<string, TackleSystem> ByContent = new(StringComparer.Ordinal);
    private static readonly ConditionalWeakTable<ComposedMembers, TackleSystem> ByMembers = [];

    /// <summary>Whether these very members were rove before.</summary>
    internal static bool IsKnown(ComposedMembers own) => ByMembers.TryGetValue(own, out _);

    /// <summary>The system of a composed tackle that has no problem.</summary>
    public static TackleSystem SystemOf(ComposedMembers own) => ByMembers.GetValue(own, Remembered);

    /// <summary>The same tackle rope by rope, for whoever wants to change it freely.</summary>
    public static ComposedMembers RopeByRope(ComposedMembers own) =>
        own.Stages.Count == 0 ? own : StagedTackle.RopeByRope(own.Stages) with { Name = NameOf(own) };

    public static string NameOf(ComposedMembers own)
    {
        if (!string.IsNullOrWhiteSpace(own.Name))
        {
            return own.Name;
        }

        if (own.Stages.Count == 0)
        {
            return "Tackle of your own";
        }

        var words = own
            .Stages.Select(s =>
                s.Kind switch
                {
                    StageKind.RopeLoop => "rope-loop three",
                    StageKind.BetweenGrips => "between two grips",
                    StageKind.Direct => "direct",
                    _ => s.Kind.ToString().ToLowerInvariant(),
                }
            )
            .ToList();
        var name = string.Join(" hauling a ", words)
            .Replace(" hauling a between", " between", StringComparison.Ordinal)
            .Replace("redirect hauling a", "redirected", StringComparison.Ordinal)
            .Replace(" hauling a redirect", ", redirected at the line", StringComparison.Ordinal);
        return char.ToUpperInvariant(name[0]) + name[1..];
    }

    private static TackleSystem Remembered(ComposedMembers own)
    {
        var content = JsonSerializer.Serialize(own, DocumentReader.Options);
        if (ByContent.Count >= MostRemembered)
        {
            ByContent.Clear();
        }

        return ByContent.GetOrAdd(content, static (_, members) => Make(members), own);
    }

    private static TackleSystem Make(ComposedMembers own)
    {
        var shape = Rove(own, new(1, 1));
        var ideal = TackleSolver.Solve(shape).Solution!.IdealAdvantage;
        var reeved = RopeByRope(own);
        var turns = reeved
            .Ropes.SelectMany(r => r.Contacts.SkipLast(1))
            .Where(c => c.ContactId is null || Reference.Contacts[c.ContactId].IsHardware)
            .Select(c => c.Point)
            .Distinct(StringComparer.Ordinal);
        var between = own.Stages.Count > 1 && own.Stages[^1].Kind == StageKind.BetweenGrips;
        var said = between ? 2 * own.Stages.SkipLast(1).Aggregate(1, (n, s) => n * Nominal(s.Kind)) : 0;
        return new(
            SystemId,
            NameOf(own),
            "Put together by this crew.",
            inLine: shape.Ropes.Count == 1
                && shape.Ropes[0].Contacts.Count < 3
                && shape.Ropes[0].Contacts[^1].Point == Load
                && shape.Ropes[0].Contacts.All(c => c.Point != Load || c.Efficiency is null),
            t => Rove(own, t)
        )
        {
            PeopleSay =
                between && Math.Abs(said - ideal) > 1e-9
                    ? $"People say {said}, for both legs come in; it is {Math.Round(ideal, 2)}, for the hauler stands on the ground."
                    : null,
            HardwarePoints = [.. turns],
            OwnKinds = reeved
                .Ropes.SelectMany((rope, r) => rope.Contacts.Select((contact, c) => (r, c, contact.ContactId)))
                .Where(x => x.ContactId is not null)
                .ToDictionary(x => (x.r, x.c), x => Reference.Contacts[x.ContactId!]),
        };
    }

    private static int Nominal(StageKind kind) =>
        kind switch
        {
            StageKind.Two => 2,
            StageKind.Three or StageKind.RopeLoop => 3,
            StageKind.Four => 4,
            StageKind.Five => 5,
            StageKind.Direct or StageKind.Redirect or StageKind.BetweenGrips => 1,
        };

    internal static Arrangement Rove(ComposedMembers own, Turns turns)
    {
        var reeved = RopeByRope(own);
        var anchor = reeved.Points.FirstOrDefault(p => p.Kind == PointKind.Fixed)?.Position ?? double.NegativeInfinity;

        // Anchor below, load above, whichever way round the crew wrote them.
        var turned = reeved.Points.FirstOrDefault(p => p.Kind == PointKind.Load)?.Position < anchor ? -1 : 1;
        return new()
        {
            Points =
            [
                .. reeved.Points.Select(p => new TacklePoint
                {
                    Id = p.Id,
                    Position = turned * p.Position,
                    Kind = p.Kind,
                }),
            ],
            Ropes =
            [
                .. reeved.Ropes.Select(r => new TackleRope
                {
                    From = r.From,
                    Contacts =
                    [
                        .. r.Contacts.Select(
                            (c, i) =>
                                new TackleContact
                                {
                                    Point = c.Point,
                                    Efficiency =
                                        i < r.Contacts.Count - 1 || c.ContactId is not null
                                            ? Share(c.ContactId, turns)
                                            : null,
                                    OffAxisDeg = c.OffAxisDeg,
                                }
                        ),
                    ],
                }),
            ],
        };
    }

    private static double Share(string? contactId, Turns turns) =>
        contactId switch
        {
            null => turns.Contact,
            LoopContact => turns.RopeLoop,
            _ => turns.At(Reference.Contacts[contactId]),
        };
}
