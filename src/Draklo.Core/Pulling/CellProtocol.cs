using System.Buffers.Binary;
using System.Globalization;
using System.Text;

namespace Draklo.Core.Pulling;

/// <summary>One reading as a load cell sends it.</summary>
/// <param name="Session">Made new whenever the cell is switched on.</param>
/// <param name="Sequence">Counts its readings from there.</param>
/// <param name="TensionN">As read: below zero where it hangs the wrong way round or has drifted.</param>
/// <param name="Overloaded">The cell was loaded over what it may measure, now or before.</param>
/// <param name="LowBattery">It will fall silent before long.</param>
public readonly record struct CellFrame(
    uint Session,
    uint Sequence,
    double TensionN,
    bool Overloaded = false,
    bool LowBattery = false
);

/// <summary>The protocol of a load cell that anyone can build, version 1: packets over Bluetooth, lines over a cable.</summary>
/// <remarks>
/// docs/load-cell.md. Anything not exactly a frame is rejected: a byte too many, an unknown flag, a wrong check, a text with
/// a plus sign. Guessing at what a cell may have meant is worse than a reading that is missing.
/// </remarks>
public static class CellProtocol
{
    public const int PacketBytes = 18;
    private const byte Magic = 0xD7;
    private const byte Version = 1;
    private const ushort OverloadedFlag = 1;
    private const ushort LowBatteryFlag = 2;
    private const int TenthsAtMost = 20_000_000;
    private const string LineStart = "DRK1";
    private const int LongestLine = 64;

    /// <summary>Reads a packet.</summary>
    /// <param name="trouble">What is wrong with it, in a sentence; empty where nothing is.</param>
    public static CellFrame? ReadPacket(ReadOnlySpan<byte> packet, out string trouble)
    {
        if (packet.Length != PacketBytes || packet[0] != Magic)
        {
            return Wrong("This device sends something else than a Draklo load cell.", out trouble);
        }

        if (BinaryPrimitives.ReadUInt16LittleEndian(packet[16..]) != Check(packet[..16]))
        {
            return Wrong("A reading was damaged on its way.", out trouble);
        }

        if (packet[1] != Version)
        {
            return Wrong(
                $"The cell speaks version {packet[1]} of the protocol, and version {Version} is known here.",
                out trouble
            );
        }

        var flags = BinaryPrimitives.ReadUInt16LittleEndian(packet[2..]);
        var tenths = BinaryPrimitives.ReadInt32LittleEndian(packet[12..]);
        return FrameOf(
            BinaryPrimitives.ReadUInt32LittleEndian(packet[4..]),
            BinaryPrimitives.ReadUInt32LittleEndian(packet[8..]),
            tenths,
            flags,
            out trouble
        );
    }

    /// <summary>Reads a line, without its end.</summary>
    /// <param name="trouble">As of <see cref="ReadPacket"/>.</param>
    public static CellFrame? ReadLine(string line, out string trouble)
    {
        var parts = line.Length <= LongestLine ? line.Split(' ') : [];
        if (parts is not [LineStart, var session, var sequence, var tenths, var flags, ['*', .. var check]])
        {
            return Wrong("This device sends something else than a Draklo load cell.", out trouble);
        }

        if (
            !IsHex(check, 4)
            || ushort.Parse(check, NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture)
                != Check(Encoding.ASCII.GetBytes(line[..^6]))
        )
        {
            return Wrong("A reading was damaged on its way.", out trouble);
        }

        return
            IsHex(session, 8)
            && IsHex(flags, 4)
            && uint.TryParse(sequence, NumberStyles.None, CultureInfo.InvariantCulture, out var count)
            && int.TryParse(tenths, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var value)
            && tenths[0] != '+'
            ? FrameOf(
                uint.Parse(session, NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture),
                count,
                value,
                ushort.Parse(flags, NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture),
                out trouble
            )
            : Wrong("The cell sent a line that is no reading.", out trouble);
    }

    /// <summary>Writes a packet, as a cell does.</summary>
    public static byte[] Packet(CellFrame frame)
    {
        var packet = new byte[PacketBytes];
        (packet[0], packet[1]) = (Magic, Version);
        BinaryPrimitives.WriteUInt16LittleEndian(packet.AsSpan(2), FlagsOf(frame));
        BinaryPrimitives.WriteUInt32LittleEndian(packet.AsSpan(4), frame.Session);
        BinaryPrimitives.WriteUInt32LittleEndian(packet.AsSpan(8), frame.Sequence);
        BinaryPrimitives.WriteInt32LittleEndian(packet.AsSpan(12), Tenths(frame));
        BinaryPrimitives.WriteUInt16LittleEndian(packet.AsSpan(16), Check(packet.AsSpan(0, 16)));
        return packet;
    }

    /// <summary>Writes a line, as a cell does, without its end.</summary>
    public static string Line(CellFrame frame)
    {
        var text = string.Create(
            CultureInfo.InvariantCulture,
            $"{LineStart} {frame.Session:X8} {frame.Sequence} {Tenths(frame)} {FlagsOf(frame):X4}"
        );
        return $"{text} *{Check(Encoding.ASCII.GetBytes(text)):X4}";
    }

    private static CellFrame? FrameOf(uint session, uint sequence, int tenths, ushort flags, out string trouble)
    {
        if ((flags & ~(OverloadedFlag | LowBatteryFlag)) != 0)
        {
            return Wrong("The cell says something that is not known here: look at its display.", out trouble);
        }

        if (Math.Abs((long)tenths) > TenthsAtMost)
        {
            return Wrong("The cell sent no number that can be a tension.", out trouble);
        }

        trouble = "";
        return new(session, sequence, tenths / 10.0, (flags & OverloadedFlag) != 0, (flags & LowBatteryFlag) != 0);
    }

    private static CellFrame? Wrong(string words, out string trouble)
    {
        trouble = words;
        return null;
    }

    private static ushort FlagsOf(CellFrame frame) =>
        (ushort)((frame.Overloaded ? OverloadedFlag : 0) | (frame.LowBattery ? LowBatteryFlag : 0));

    private static int Tenths(CellFrame frame) => (int)Math.Round(frame.TensionN * 10);

    private static bool IsHex(string text, int length) => text.Length == length && text.All(char.IsAsciiHexDigitUpper);

    /// <summary>CRC-16/CCITT-FALSE: polynomial 0x1021, beginning at 0xFFFF, not reflected.</summary>
    private static ushort Check(ReadOnlySpan<byte> bytes)
    {
        ushort check = 0xFFFF;
        foreach (var b in bytes)
        {
            check ^= (ushort)(b << 8);
            for (var bit = 0; bit < 8; bit++)
            {
                check = (ushort)((check & 0x8000) != 0 ? (check << 1) ^ 0x1021 : check << 1);
            }
        }

        return check;
    }
}
