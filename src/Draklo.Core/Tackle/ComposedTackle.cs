using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Tackle;

/// <summary>A composed tackle, resolved.</summary>
/// <param name="RopeByRope">The same by points and ropes, to be changed freely.</param>
/// <param name="Solution">With the usual efficiencies, for a hand force of 1.</param>
/// <param name="Turns">Where its ropes turn.</param>
public sealed record ComposedTackle(
    string Name,
    string? PeopleSay,
    ComposedMembers RopeByRope,
    TackleSolution Solution,
    IReadOnlyList<TackleTurn> Turns
)
{
    /// <param name="contact">At turns that have no kind of their own.</param>
    public static (ComposedTackle? Tackle, List<Problem> Problems) Of(ComposedMembers own, ContactKind contact)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(own, UnitSystem.Metric, problems);
        problems = problems.Count > 0 ? problems : ComposerRules.Check(own);
        return problems.Count > 0
            ? (null, problems)
            : (
                new(
                    Composer.NameOf(own),
                    Composer.SystemOf(own).PeopleSay,
                    Composer.RopeByRope(own),
                    Composer.SystemOf(own).Solve(Tackle.Turns.Usual(contact)),
                    TackleTurn.Of(Composer.SystemOf(own).Shape)
                ),
                problems
            );
    }
}
