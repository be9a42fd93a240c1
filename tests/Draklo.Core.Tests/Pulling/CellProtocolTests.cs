using CsCheck;
using Draklo.Core.Carrying;
using Draklo.Core.Pulling;

namespace Draklo.Core.Tests;

/// <summary>The load cell's protocol: what it says is read, and what is not exactly that is nothing.</summary>
public sealed class CellProtocolTests
{
    private static readonly CellFrame Frame = new(0x5A3C00F1, 1042, 1312.4);

    /// <summary>Worked by hand and by another implementation of CRC-16/CCITT-FALSE; "123456789" gives 29B1 in it.</summary>
    [Fact]
    public void A_frame_is_written_as_the_page_about_the_protocol_shows()
    {
        Assert.Equal("DRK1 5A3C00F1 1042 13124 0000 *21A3", CellProtocol.Line(Frame));
        Assert.Equal("D7010000F1003C5A120400004433000048C4", Convert.ToHexString(CellProtocol.Packet(Frame)));
    }

    [Fact]
    public void Whatever_a_cell_writes_is_read_back_the_same() =>
        Gen.Select(Gen.UInt, Gen.UInt, Gen.Int[-20_000_000, 20_000_000], Gen.Bool, Gen.Bool)
            .Sample(
                (session, sequence, tenths, over, low) =>
                {
                    var frame = new CellFrame(session, sequence, tenths / 10.0, over, low);
                    Assert.Equal(frame, CellProtocol.ReadPacket(CellProtocol.Packet(frame), out _));
                    Assert.Equal(frame, CellProtocol.ReadLine(CellProtocol.Line(frame), out _));
                }
            );

    /// <summary>One bit, or one letter, is never another reading.</summary>
    [Fact]
    public void A_damaged_frame_is_no_reading()
    {
        var packet = CellProtocol.Packet(Frame);
        for (var bit = 0; bit < packet.Length * 8; bit++)
        {
            var damaged = packet.ToArray();
            damaged[bit / 8] ^= (byte)(1 << (bit % 8));
            Assert.Null(CellProtocol.ReadPacket(damaged, out var trouble));
            Assert.NotEmpty(trouble);
        }

        var line = CellProtocol.Line(Frame);
        for (var i = 0; i < line.Length; i++)
        {
            foreach (var other in "0 +-*A\t".Where(c => c != line[i]))
            {
                Assert.Null(CellProtocol.ReadLine(line[..i] + other + line[(i + 1)..], out _));
            }
        }
    }

    [Theory]
    [InlineData("")]
    [InlineData("DRK1")]
    [InlineData("DRK1 5A3C00F1 1042 13124 0000 *21A3 ")]
    [InlineData(" DRK1 5A3C00F1 1042 13124 0000 *21A3")]
    [InlineData("DRK1 5A3C00F1 1042 13124 0000 *21a3")]
    [InlineData("1312.4")]
    [InlineData("{\"n\":1}")]
    public void Anything_else_is_no_reading(string line) => Assert.Null(CellProtocol.ReadLine(line, out _));

    [Fact]
    public void A_packet_of_another_length_is_no_reading()
    {
        foreach (var length in new[] { 0, 1, 17, 19, 64 })
        {
            Assert.Null(CellProtocol.ReadPacket(new byte[length], out _));
        }
    }

    [Fact]
    public void A_cell_at_hand_is_followed_and_begins_afresh_when_it_is_switched_on_again()
    {
        var hand = new CellAtHand();
        CellHeard Hear(uint session, uint sequence, double newtons, double atS, bool slack = false) =>
            hand.Hear("main", isPacket: false, CellProtocol.Line(new(session, sequence, newtons)), 2000, atS, slack);

        Assert.True(Hear(1, 10, 900, 0).Counts);
        Assert.Equal(2, Hear(1, 13, 910, 0.15).Missed);
        Assert.False(Hear(1, 13, 910, 0.16).Counts);
        Assert.Contains("too big", Hear(1, 14, 9000, 0.2).Trouble, StringComparison.Ordinal);
        // What it sent is handed on as it came, below zero too: what is kept is judged once, from that.
        var backwards = Hear(1, 15, -500, 0.9);
        Assert.Equal((-500, 0, false), (backwards.RawN, backwards.TensionN, backwards.Counts));
        Assert.Contains("isn't at zero", Hear(1, 16, 300, 1.5, slack: true).Trouble, StringComparison.Ordinal);
        var again = Hear(2, 0, 905, 1);
        Assert.True(again.Counts);
        Assert.Equal(0, again.Missed);
        Assert.Contains(
            "something else",
            hand.Hear("main", true, "AAAA", 2000, 2, slack: false).Trouble,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "something else",
            hand.Hear("main", true, "not base64", 2000, 2, slack: false).Trouble,
            StringComparison.Ordinal
        );
    }
}
