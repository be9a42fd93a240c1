using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Ropes, cords and slings that are very old or very worn, though the sums hold.</summary>
/// <remarks>Method M9. Of the plan's own words, whether the piece is in the locker or not.</remarks>
internal static class WornReasons
{
    /// <summary>The usual limit of crews, years.</summary>
    private const double OldYears = 10;

    private const double LeastKept = 0.6;

    public static void Add(Findings findings, ReasonList reasons)
    {
        for (var n = 0; n < findings.Plan.Lines.Count; n++)
        {
            var line = findings.Plan.Lines[n];
            var (path, of) = ($"lines[{n}]", findings.Plan.Lines.Count > 1 ? $" of the {line.Id} line" : "");
            Look(line.Rope.Wear, line.Rope.ConstructionId, $"{path}.rope", $"The pull line{of}");
            Look(
                line.Joined?.Rope.Wear,
                line.Joined?.Rope.ConstructionId,
                $"{path}.joined.rope",
                $"The second rope{of}"
            );
            Look(
                line.Tackle.Rope?.Wear,
                line.Tackle.Rope?.ConstructionId,
                $"{path}.tackle.rope",
                $"The tackle rope{of}"
            );
            Look(line.Tackle.Grip?.Wear, null, $"{path}.tackle.grip", $"The grip’s cord{of}");
            Look(line.Tackle.Hold?.Grip?.Wear, null, $"{path}.tackle.hold.grip", $"The holding grip’s cord{of}");
            Look(line.Anchor.Sling?.Wear, null, $"{path}.anchor.sling", $"The anchor sling{of}");
            Look(line.Puller.Anchor?.Sling?.Wear, null, $"{path}.puller.anchor.sling", $"The hauler’s own sling{of}");
            for (var r = 0; r < line.Redirects.Count; r++)
            {
                Look(
                    line.Redirects[r].At.Sling?.Wear,
                    null,
                    $"{path}.redirects[{r}].at.sling",
                    $"The sling of a redirect{of}"
                );
            }
        }

        void Look(WearMembers? wear, string? constructionId, string path, string name)
        {
            if (wear is null)
            {
                return;
            }

            if (wear.AgeYears is > OldYears and { } years)
            {
                reasons.Check(
                    "piece-old",
                    $"{name} is {Figures.Plain(years, 2)} years old, over the {Figures.Plain(OldYears, 2)} that crews usually go by: take a younger one.",
                    $"{path}.wear.ageYears",
                    null,
                    ("years", years)
                );
            }

            var kept = new List<Reduction>(3);
            Wear.Add(wear, constructionId, kept);
            var keeps = kept.Aggregate(1.0, (all, r) => all * r.Keeps);
            if (keeps < LeastKept)
            {
                reasons.Check(
                    "piece-worn",
                    $"{name} keeps {keeps:%} of its strength by age, wear and wet: take another, though the sums hold.",
                    $"{path}.wear",
                    null,
                    ("keeps", keeps)
                );
            }
        }
    }
}
