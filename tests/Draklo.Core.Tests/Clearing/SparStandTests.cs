using CsCheck;
using Draklo.Core.Clearing;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Banks;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The high point: its bending against steps along the stem, its guy's share, its roots and its rot.</summary>
public sealed class SparStandTests
{
    /// <summary>Angle and movement summed from the foot up in 4,000 steps, and the largest stress on the way.</summary>
    [Fact]
    public void A_tapering_stem_bends_as_its_slices_do() =>
        Gen.Select(Gen.Double[0.15, 1], Gen.Double[8, 40], Gen.Double[0.3, 0.9])
            .Sample(
                (dbh, height, share) =>
                {
                    var high = Larch() with
                    {
                        Stem = new() { DbhM = dbh, HeightM = height },
                        BlockHeightM = share * height,
                    };
                    var stem = SparStand.StemOf(high);
                    var bending = SparStand.BendingOf(high, stem);
                    const int steps = 4000;
                    var dz = high.BlockHeightM / steps;
                    var (angle, moved, most) = (0.0, 0.0, 0.0);
                    for (var i = 0; i < steps; i++)
                    {
                        var z = (i + 0.5) * dz;
                        var d = stem.DiameterAt(z - stem.StumpHeight);
                        angle += (high.BlockHeightM - z) / (8e9 * Math.PI * Math.Pow(d, 4) / 64) * dz;
                        moved += angle * dz;
                        most = Math.Max(most, (high.BlockHeightM - z) * 32 / (Math.PI * d * d * d));
                    }

                    Assert.Equal(1, moved * bending.Stiffness, 0.01);
                    Assert.Equal(1, bending.WorstModulusArm / most, 0.01);
                },
                iter: Tries.Of(100)
            );

    [Fact]
    public void A_stiffer_guy_takes_more_and_is_checked_for_the_whole_pull()
    {
        var soft = Chosen(WithGuy(Strong with { StretchAtTenPercent = 0.05 }));
        var stiff = Chosen(WithGuy(Strong with { StretchAtTenPercent = 0.005 }));
        Assert.True(soft.Figure("guy-share") < stiff.Figure("guy-share"));
        Assert.True(soft.Link("spar").LoadValue > stiff.Link("spar").LoadValue);
        // As if the foot were pinned: the guy's own stretch does not come in.
        Near(soft.Link("guy").LoadValue, stiff.Link("guy").LoadValue, 0.02);
        Assert.True(soft.Link("guy").LoadValue > soft.Figure("line-most") * 0.8);
    }

    [Fact]
    public void Without_a_guy_the_stem_and_its_roots_hold_all()
    {
        var alone = Chosen(Bank() with { High = Larch() with { Guy = null } });
        var guyed = Chosen(Bank());
        Assert.True(alone.Link("spar").LoadValue > guyed.Link("spar").LoadValue);
        Assert.True(alone.Link("spar-roots").LoadValue > guyed.Link("spar-roots").LoadValue);
        Assert.DoesNotContain(alone.Links, l => l.Id == "guy");
    }

    [Fact]
    public void A_guy_on_the_side_of_the_pull_holds_nothing() =>
        Assert.Contains(
            Chosen(
                Bank() with
                {
                    High = Larch() with
                    {
                        Guy = new() { Anchor = Fast(30), Rope = Strong },
                    },
                }
            ).Reasons,
            r => r.Code == "rig-guy-wrong-side" && r.State == VerdictState.Check
        );

    [Theory]
    [InlineData(0.03, "rig-spar-hollow", VerdictState.Stop)]
    [InlineData(0.09, "rig-spar-decayed", VerdictState.Check)]
    public void Rot_is_said_and_takes_strength(double shell, string code, VerdictState state)
    {
        var sound = Chosen(Bank());
        var rotten = Chosen(
            Bank() with
            {
                High = Larch() with
                {
                    Decay = new() { ShellM = shell, DiameterM = 0.5 },
                },
            }
        );
        Assert.Contains(rotten.Reasons, r => r.Code == code && r.State == state);
        Assert.True(rotten.Link("spar").StrengthValue < sound.Link("spar").StrengthValue);
    }

    private static ClearingMembers WithGuy(RopeMembers rope) =>
        Bank() with
        {
            High = Larch() with
            {
                Guy = new() { Anchor = Fast(0), Rope = rope },
            },
        };
}
