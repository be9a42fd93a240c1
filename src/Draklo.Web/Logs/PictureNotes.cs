using System.Buffers.Binary;

namespace Draklo.Web.Logs;

/// <summary>
/// Takes off a picture all that it need not have in order to be drawn: where and with what it was taken, captions, comments,
/// smaller copies, and whatever was written behind its end. What it shows stays as it was, bit for bit.
/// </summary>
/// <remarks>
/// Parts are kept by a list, not dropped by one: of JPEG the frame, tables and scans, JFIF, ICC and Adobe's colour marker; of
/// PNG the critical chunks and those of colour and size; of WebP the picture, its colours and its frames.
/// </remarks>
public static class PictureNotes
{
    private const int ExifAt = 10;
    private const ushort OrientationTag = 0x0112;
    private const byte ExifFlag = 0x08;
    private const byte XmpFlag = 0x04;
    private static ReadOnlySpan<byte> Exif => "Exif\0\0"u8;

    private static readonly HashSet<string> PngKept = new(StringComparer.Ordinal)
    {
        "IHDR",
        "PLTE",
        "IDAT",
        "IEND",
        "tRNS",
        "gAMA",
        "cHRM",
        "sRGB",
        "iCCP",
        "sBIT",
        "bKGD",
        "pHYs",
    };

    private static readonly HashSet<string> WebpKept = new(StringComparer.Ordinal)
    {
        "VP8 ",
        "VP8L",
        "VP8X",
        "ALPH",
        "ANIM",
        "ANMF",
        "ICCP",
    };

    /// <param name="ending">jpg, png or webp.</param>
    /// <returns>The picture without notes; null where its parts do not follow one another as they must.</returns>
    public static byte[]? Without(ReadOnlySpan<byte> picture, string ending) =>
        ending switch
        {
            "jpg" => OfJpeg(picture),
            "png" => OfPng(picture),
            _ => OfWebp(picture),
        };

    /// <summary>Whether a JPEG says that it is to be turned before it is shown: without its notes it would lie on its side.</summary>
    public static bool LiesTurned(ReadOnlySpan<byte> jpeg)
    {
        var at = jpeg.IndexOf(Exif);
        if (at < 0 || jpeg.Length < at + ExifAt + 8)
        {
            return false;
        }

        var tiff = jpeg[(at + Exif.Length)..];
        var little = tiff[0] == (byte)'I';
        var directory = Long(tiff[4..], little);
        if (directory + 2 > (uint)tiff.Length)
        {
            return false;
        }

        var entries = tiff[((int)directory + 2)..];
        for (var i = 0; i < Word(tiff[(int)directory..], little) && entries.Length >= 12; i++, entries = entries[12..])
        {
            if (Word(entries, little) == OrientationTag)
            {
                return Word(entries[8..], little) is > 1 and <= 8;
            }
        }

        return false;
    }

    private static byte[]? OfJpeg(ReadOnlySpan<byte> b)
    {
        using var plain = new MemoryStream(b.Length);
        plain.Write(b[..2]);
        for (var at = 2; at + 2 <= b.Length; )
        {
            if (b[at] != 0xFF)
            {
                return null;
            }

            var marker = b[at + 1];
            switch (marker)
            {
                case 0xFF:
                    // Filling before a marker.
                    at++;
                    continue;
                case 0xD9:
                    plain.Write(b.Slice(at, 2));
                    return plain.ToArray();
                default:
                    break;
            }

            if (at + 4 > b.Length)
            {
                return null;
            }

            var end = at + 2 + BinaryPrimitives.ReadUInt16BigEndian(b[(at + 2)..]);
            if (end < at + 4 || end > b.Length)
            {
                return null;
            }

            if (marker == 0xDA)
            {
                end = EndOfScan(b, end);
            }

            if (IsKept(marker, b[(at + 4)..end]))
            {
                plain.Write(b[at..end]);
            }

            at = end;
        }

        return null;
    }

    private static bool IsKept(byte marker, ReadOnlySpan<byte> content) =>
        marker switch
        {
            0xE0 => content.StartsWith("JFIF\0"u8),
            0xE2 => content.StartsWith("ICC_PROFILE\0"u8),
            0xEE => content.StartsWith("Adobe"u8),
            >= 0xE1 and <= 0xEF => false,
            // A comment.
            0xFE => false,
            _ => true,
        };

    /// <summary>Where the next marker after a scan's data stands; restarts and escaped bytes belong to the data.</summary>
    private static int EndOfScan(ReadOnlySpan<byte> b, int at)
    {
        while (at + 1 < b.Length && !(b[at] == 0xFF && b[at + 1] is not (0x00 or 0xFF or (>= 0xD0 and <= 0xD7))))
        {
            at++;
        }

        return at;
    }

    private static byte[]? OfPng(ReadOnlySpan<byte> b)
    {
        const int Head = 8;
        using var plain = new MemoryStream(b.Length);
        plain.Write(b[..Head]);
        for (var at = Head; at + 12 <= b.Length; )
        {
            var length = BinaryPrimitives.ReadUInt32BigEndian(b[at..]);
            if (length > (uint)(b.Length - at - 12))
            {
                return null;
            }

            var name = System.Text.Encoding.ASCII.GetString(b.Slice(at + 4, 4));
            var end = at + 12 + (int)length;
            if (PngKept.Contains(name))
            {
                plain.Write(b[at..end]);
            }

            if (name == "IEND")
            {
                return plain.ToArray();
            }

            at = end;
        }

        return null;
    }

    private static byte[]? OfWebp(ReadOnlySpan<byte> b)
    {
        const int Head = 12;
        using var plain = new MemoryStream(b.Length);
        plain.Write(b[..Head]);
        var whole = (int)Math.Min(BinaryPrimitives.ReadUInt32LittleEndian(b[4..]) + 8L, b.Length);
        for (var at = Head; at + 8 <= whole; )
        {
            var length = BinaryPrimitives.ReadUInt32LittleEndian(b[(at + 4)..]);
            // To an even number; the last one's filling may be missing.
            var end = at + 8L + length + (length & 1);
            if (at + 8L + length > whole)
            {
                return null;
            }

            var chunk = b[at..(int)Math.Min(end, whole)].ToArray();
            var name = System.Text.Encoding.ASCII.GetString(chunk.AsSpan(0, 4));
            if (name == "VP8X" && chunk.Length > 8)
            {
                chunk[8] = (byte)(chunk[8] & ~(ExifFlag | XmpFlag));
            }

            if (WebpKept.Contains(name))
            {
                plain.Write(chunk);
            }

            at = chunk.Length + at;
        }

        var made = plain.ToArray();
        BinaryPrimitives.WriteUInt32LittleEndian(made.AsSpan(4), (uint)(made.Length - 8));
        return made;
    }

    private static ushort Word(ReadOnlySpan<byte> b, bool little) =>
        little ? BinaryPrimitives.ReadUInt16LittleEndian(b) : BinaryPrimitives.ReadUInt16BigEndian(b);

    private static uint Long(ReadOnlySpan<byte> b, bool little) =>
        little ? BinaryPrimitives.ReadUInt32LittleEndian(b) : BinaryPrimitives.ReadUInt32BigEndian(b);
}
