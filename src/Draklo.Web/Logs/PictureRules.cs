using System.Buffers.Binary;
using Draklo.Core.Units;

namespace Draklo.Web.Logs;

/// <param name="Ending">jpg, png or webp.</param>
/// <param name="Plain">What is kept of it: without notes of place or device.</param>
public sealed record SeenPicture(string Ending, int WidthPx, int HeightPx, byte[] Plain);

/// <summary>Whether bytes are a picture that may be kept: by what they are, not by what they are called.</summary>
/// <remarks>Only headers are read; nothing is unpacked here, so a picture that swells when it is drawn is refused by its size in pixels.</remarks>
public static class PictureRules
{
    public const int LargestBytes = 3 * 1024 * 1024;
    public const int LargestSide = 4096;

    public static string TypeOf(string path) =>
        Path.GetExtension(path) switch
        {
            ".png" => "image/png",
            ".webp" => "image/webp",
            _ => "image/jpeg",
        };

    public static (SeenPicture? Picture, Problem? Problem) Look(ReadOnlySpan<byte> bytes)
    {
        if (bytes.Length > LargestBytes)
        {
            return Said(
                $"A picture takes at most {LargestBytes / 1024 / 1024} MB, this one {bytes.Length / 1024.0 / 1024:0.0}: make it smaller."
            );
        }

        var seen = OfPng(bytes) ?? OfJpeg(bytes) ?? OfWebp(bytes);
        if (seen is not var (ending, width, height) || PictureNotes.Without(bytes, ending) is not { } plain)
        {
            return Said("This is no picture that can be kept: take a JPEG, PNG or WebP.");
        }

        if (width is < 1 or > LargestSide || height is < 1 or > LargestSide)
        {
            return Said(
                $"A picture is at most {LargestSide} pixels a side, this one {width} by {height}: make it smaller."
            );
        }

        return ending == "jpg" && PictureNotes.LiesTurned(bytes)
            ? Said(
                "This picture is upright only by a note beside its place and device, which are not kept: add it through the page, which turns it."
            )
            : (new(ending, width, height, plain), null);
    }

    private static (SeenPicture?, Problem?) Said(string message) => (null, new("picture", message));

    private static (string Ending, int WidthPx, int HeightPx)? OfPng(ReadOnlySpan<byte> b) =>
        b.Length > 33
        && b[..8].SequenceEqual(Png)
        && b[12..16].SequenceEqual("IHDR"u8)
        && b[^8..^4].SequenceEqual("IEND"u8)
            ? ("png", BinaryPrimitives.ReadInt32BigEndian(b[16..]), BinaryPrimitives.ReadInt32BigEndian(b[20..]))
            : null;

    private static ReadOnlySpan<byte> Png => [0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A];

    /// <summary>Walks a JPEG's segments to its frame.</summary>
    private static (string Ending, int WidthPx, int HeightPx)? OfJpeg(ReadOnlySpan<byte> b)
    {
        if (b.Length < 20 || b[0] != 0xFF || b[1] != 0xD8 || !EndsAsJpeg(b))
        {
            return null;
        }

        for (var at = 2; at + 9 < b.Length && b[at] == 0xFF; )
        {
            var marker = b[at + 1];
            var length = BinaryPrimitives.ReadUInt16BigEndian(b[(at + 2)..]);
            if (marker is >= 0xC0 and <= 0xCF and not (0xC4 or 0xC8 or 0xCC))
            {
                return (
                    "jpg",
                    BinaryPrimitives.ReadUInt16BigEndian(b[(at + 7)..]),
                    BinaryPrimitives.ReadUInt16BigEndian(b[(at + 5)..])
                );
            }

            at += 2 + length;
        }

        return null;
    }

    private static bool EndsAsJpeg(ReadOnlySpan<byte> b) => b[^2] == 0xFF && b[^1] == 0xD9;

    private static (string Ending, int WidthPx, int HeightPx)? OfWebp(ReadOnlySpan<byte> b)
    {
        if (b.Length < 30 || !b[..4].SequenceEqual("RIFF"u8) || !b[8..12].SequenceEqual("WEBP"u8))
        {
            return null;
        }

        if (BinaryPrimitives.ReadUInt32LittleEndian(b[4..]) + 8 > (uint)b.Length)
        {
            return null;
        }

        var kind = b[12..16];
        return kind.SequenceEqual("VP8 "u8)
                ? (
                    "webp",
                    BinaryPrimitives.ReadUInt16LittleEndian(b[26..]) & 0x3FFF,
                    BinaryPrimitives.ReadUInt16LittleEndian(b[28..]) & 0x3FFF
                )
            : kind.SequenceEqual("VP8L"u8) ? OfLossless(BinaryPrimitives.ReadUInt32LittleEndian(b[21..]))
            : kind.SequenceEqual("VP8X"u8) ? ("webp", 1 + Three(b[24..]), 1 + Three(b[27..]))
            : null;
    }

    private static (string Ending, int WidthPx, int HeightPx) OfLossless(uint bits) =>
        ("webp", 1 + (int)(bits & 0x3FFF), 1 + (int)((bits >> 14) & 0x3FFF));

    private static int Three(ReadOnlySpan<byte> b) => b[0] | (b[1] << 8) | (b[2] << 16);
}
