using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>What changed between two plans, in words with units.</summary>
public sealed class DocumentChangesTests
{
    [Theory]
    [InlineData("lay.bearingDeg", 96, "Lay toward", "90°", "96°")]
    [InlineData("cut.hingeThicknessM", 0.05, "Hinge thickness", "4.5 cm", "5 cm")]
    [InlineData("lines[0].rope.diameterM", 0.014, "Rope diameter", "12.7 mm", "14 mm")]
    [InlineData("tree.wood.bendingStrengthMPa", 40, "Bending strength", "34 MPa", "40 MPa")]
    [InlineData("wind.inLeaf", true, "In leaf", "no", "yes")]
    public void A_figure_is_named_with_both_values(string path, object value, string name, string was, string now)
    {
        var change = Assert.Single(Between(Hinged, Edited(Hinged, (path, value))));
        Assert.Equal(new(path, name, was, now), change);
    }

    [Fact]
    public void Us_units_are_written_too() =>
        Assert.Equal(
            "13 ft",
            Assert
                .Single(DocumentChanges.Of(Hinged, Edited(Hinged, ("lines[0].seat.heightM", 3.9624)), UnitSystem.Us))
                .Is
        );

    [Fact]
    public void Items_of_a_list_are_told_apart_by_their_names()
    {
        var two = SideLeaner();
        var other = Edited(two, ("lines[1].seat.heightM", 11));
        Assert.Equal("Seat above ground, second", Assert.Single(Between(two, other)).Name);

        var without = two with { Lines = [two.Lines[1]] };
        var gone = Assert.Single(Between(two, without));
        Assert.Equal(("main", null), (gone.Was, gone.Is));
        Assert.Equal("main", Assert.Single(Between(without, two)).Is);
    }

    [Fact]
    public void Nothing_changed_is_an_empty_list() => Assert.Empty(Between(Hinged, Edited(Hinged)));

    [Fact]
    public void What_was_not_there_is_said_to_be_new()
    {
        var change = Assert.Single(Between(Hinged, Edited(Hinged, ("wind.gustMps", 5))));
        Assert.Equal((null, "5 m/s"), (change.Was, change.Is));
    }

    private static Plan Hinged => Edited(Sound(), ("cut.hingeThicknessM", 0.045));

    private static List<DocumentChange> Between(Plan was, Plan now) => DocumentChanges.Of(was, now, UnitSystem.Metric);
}
