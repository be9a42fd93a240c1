using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Guesses that this plan rests on. One that changes nothing is no check.</summary>
/// <remarks>Method M20: each is moved alone, as far as such a guess is usually off.</remarks>
internal static class GuessReasons
{
    public const string NothingMeasuredCode = "nothing-measured";

    /// <summary>A guess that moves the tension by less, as a share, changes nothing.</summary>
    private const double NotableShare = 0.01;

    /// <summary>The same for the hinge's work sideways, as a share of what it carries.</summary>
    private const double NotableSide = 0.05;

    /// <summary>A guessed strength of which a quarter would still do changes nothing.</summary>
    private const double AmpleUse = 0.2;

    private static readonly string[] Sizes = ["tree.heightM", "tree.dbhM", "tree.lean.angleDeg"];

    /// <summary>Nobody has measured the tree at all: a verdict would be one on invented figures.</summary>
    public static bool NothingMeasured(Findings findings) => Array.TrueForAll(Sizes, findings.Plan.IsGuess);

    public static void Add(Findings findings, ReasonList reasons)
    {
        if (NothingMeasured(findings))
        {
            reasons.Add(
                new(
                    NothingMeasuredCode,
                    VerdictState.Check,
                    "Nothing is measured yet: enter the tree's height, its girth and its lean, and the figures mean something.",
                    "tree.heightM",
                    null,
                    ReasonValueCollection.Of([])
                )
                {
                    Acceptable = false,
                }
            );
        }

        var holds = HoldsAtCarefulEnd(findings);
        foreach (var path in findings.Plan.AllGuesses())
        {
            if (holds && NobodyMeasures(path))
            {
                continue;
            }

            if (GuessedFigure.Of(path) is { } figure)
            {
                AddFigure(findings, path, figure, reasons);
            }
            else
            {
                AddStrength(findings, path, reasons);
            }
        }
    }

    /// <summary>What nobody can measure by the tree stands in the careful end; while that holds it is no question.</summary>
    private static bool NobodyMeasures(string path) =>
        path is "tree.crown.massRatio" or "tree.crown.centreFraction" or "tree.taperExponent"
        || path.StartsWith("tree.wood.", StringComparison.Ordinal);

    private static bool HoldsAtCarefulEnd(Findings findings)
    {
        var (careful, pull) = (findings.Careful, findings.Pull);
        var needed = pull.Pull.Needed;
        var floor = needed > 0 ? pull.Pretension.FloorN * careful.TensionN / needed : pull.Pretension.FloorN;
        return careful.TensionN <= findings.Context.PlannedTension
            && floor <= pull.Pretension.CeilingN
            && pull.HoldDeg > careful.CommitDeg
            && pull.Path.Links.All(l => l.CarefulUse <= 1);
    }

    private static void AddFigure(Findings findings, string path, GuessedFigure figure, ReasonList reasons)
    {
        var (planned, at) = (findings.Pull.Pull, findings.Pull.Pull.NeededAt);
        var now = Asked(findings.Context, findings.Pull.Lines, at);
        var (low, high) = (Moved(-1), Moved(1));
        if (!Tips(low) || !Tips(high))
        {
            reasons.Check(
                "guess-matters",
                $"The {figure.Name} is a guess, and off as far as such a guess often is the line could not tip the tree. Measure it.",
                path
            );
            return;
        }

        var (least, most) = (Math.Min(low.Tension, high.Tension), Math.Max(low.Tension, high.Tension));
        var tension = (most - least) / 2 / Math.Max(1, Math.Max(planned.Needed, now.Bending));
        var side = Math.Max(Math.Abs(low.Side - now.Side), Math.Abs(high.Side - now.Side));
        if (tension <= NotableShare && side > NotableSide)
        {
            reasons.Check(
                "guess-matters",
                $"The {figure.Name} is a guess and the hinge’s work sideways rests on it: alone it moves that from {Math.Min(low.Side, high.Side):%} to {Math.Max(low.Side, high.Side):%} of what it carries. Measure it.",
                path,
                null,
                ("lowShare", Math.Min(low.Side, high.Side)),
                ("highShare", Math.Max(low.Side, high.Side))
            );
        }
        else if (tension > NotableShare)
        {
            reasons.Check(
                "guess-matters",
                $"The {figure.Name} is a guess and the pull rests on it: alone it moves the needed pull from {Math.Max(0, least):N} to {Math.Max(0, most):N}. Measure it.",
                path,
                null,
                ("lowN", Math.Max(0, least)),
                ("highN", Math.Max(0, most))
            );
        }

        static bool Tips((double Tension, double Side, double Bending) asked) =>
            double.IsFinite(asked.Tension) && double.IsFinite(asked.Side) && asked.Bending >= 0;

        (double Tension, double Side, double Bending) Moved(double u)
        {
            var moved = PlanContext.Of(figure.Moved(findings.Plan, u), findings.Context.Units);
            return Asked(moved, CheckedPull.LinesOf(moved), at);
        }
    }

    /// <summary>What the tree asks at an angle: tension, side use with slack lines, and the hinge's bending as a tension.</summary>
    private static (double Tension, double Side, double Bending) Asked(PlanContext context, PullLine[] lines, double at)
    {
        var arms = Lines.Pull.ArmSum(lines, at);
        return (
            Lines.Pull.RestoringMoment(context, at) / arms,
            Math.Abs(context.Wind.Aside(context.Tree.RightMoment)) / context.Hinge.SideCapacity,
            context.Hinge.Bending / arms
        );
    }

    private static void AddStrength(Findings findings, string path, ReasonList reasons)
    {
        if (MemberPaths.LineOf(path) is not { } at || at >= findings.Plan.Lines.Count)
        {
            return;
        }

        var member = path[(path.IndexOf('.', StringComparison.Ordinal) + 1)..];
        if (IsIdle(findings.Plan.Lines[at], member))
        {
            return;
        }

        Link? worst = null;
        foreach (var link in findings.Pull.Path.Links)
        {
            if (
                link.LineId == findings.Plan.Lines[at].Id
                && RestsOn(link, member)
                && link.Use > (worst?.Use ?? AmpleUse)
            )
            {
                worst = link;
            }
        }

        if (worst is not null)
        {
            reasons.Check(
                "guess-matters",
                $"What “{worst.Name.Uncapitalised()}” carries rests on a guess, and a quarter of it would be too little. Read it off the piece, or have it tested.",
                path,
                worst.Id,
                ("use", worst.Use)
            );
        }
        else if (
            member is "rope.lengthM"
            && RopeNeeded.Owned(findings.Plan.Lines[at]) * 0.9 < findings.Lines[at].RopeNeededM
        )
        {
            reasons.Check(
                "guess-matters",
                $"The rope's length is a guess, and there is little to spare: {findings.Lines[at].RopeNeededM:m} are needed. Measure it.",
                path,
                null,
                ("neededM", findings.Lines[at].RopeNeededM)
            );
        }
    }

    /// <summary>Whether the way that was chosen has no use for a member: it stands there for another one.</summary>
    private static bool IsIdle(LineMembers line, string member)
    {
        var kind = line.Puller.Kind;
        return member switch
        {
            "puller.effortEachN" or "puller.count" => kind != PullerKind.People,
            "puller.machineN" => kind is PullerKind.People or PullerKind.Vehicle,
            _ when member.StartsWith("puller.vehicle.", StringComparison.Ordinal) => kind
                is PullerKind.People
                    or PullerKind.HandWinch,
            _ when member.StartsWith("puller.anchor.", StringComparison.Ordinal) => line.Puller.Anchor is not { } own
                || IsIdleAnchor(own.Kind, member["puller.anchor.".Length..]),
            _ when member.StartsWith("anchor.", StringComparison.Ordinal) => IsIdleAnchor(
                line.Anchor.Kind,
                member["anchor.".Length..]
            ),
            _ when member.StartsWith("seat.limb.", StringComparison.Ordinal) => line.Seat.On == SeatKind.Stem,
            _ => false,
        };
    }

    private static bool IsIdleAnchor(AnchorKind kind, string member) =>
        member.Split('.')[0] switch
        {
            "capacityN" => kind != AnchorKind.Rated,
            "tree" => kind != AnchorKind.Tree,
            "post" => kind != AnchorKind.Post,
            "pickets" => kind != AnchorKind.Pickets,
            "weight" => kind is not (AnchorKind.Weight or AnchorKind.Vehicle),
            _ => false,
        };

    /// <summary>Whether a link's strength follows from a member of its line.</summary>
    private static bool RestsOn(Link link, string member)
    {
        if (member.StartsWith("redirects[", StringComparison.Ordinal))
        {
            var place = member[10] - '0' + 1;
            return link.Place == place;
        }

        return link.Place is null && link.Rule.Members.Any(m => member.StartsWith(m, StringComparison.Ordinal));
    }
}
