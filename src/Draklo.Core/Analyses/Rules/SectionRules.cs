using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

/// <summary>Diameters measured up the stem: two or more, from below upward, under the top. No stem is made of others.</summary>
public static class SectionRules
{
    /// <summary>Adds what is wrong where the mass is worked out by sections.</summary>
    public static void Check(TreeMembers tree, List<Problem> problems, UnitSystem units)
    {
        if (tree.Mass.Method != MassMethod.Sections)
        {
            return;
        }

        var sections = tree.Mass.Sections;
        if (sections.Count < 2)
        {
            problems.Add(
                new(
                    "tree.mass.sections",
                    "Sections take two diameters or more, at different heights: add one, or work the mass out by form."
                )
            );
        }

        for (var i = 0; i < sections.Count; i++)
        {
            if (sections[i].HeightM >= tree.HeightM)
            {
                problems.Add(
                    new(
                        $"tree.mass.sections[{i}].heightM",
                        units.Say(
                            $"This diameter is at {sections[i].HeightM:m}, above the top at {tree.HeightM:m}: lower it."
                        )
                    )
                );
            }
            else if (i > 0 && sections[i].HeightM <= sections[i - 1].HeightM)
            {
                problems.Add(
                    new(
                        $"tree.mass.sections[{i}].heightM",
                        units.Say(
                            $"This diameter at {sections[i].HeightM:m} is not above the one before it at {sections[i - 1].HeightM:m}: put them in order, from below upward."
                        )
                    )
                );
            }
        }
    }
}
