using System.Buffers.Binary;
using System.Text;
using Draklo.Web.Logs;

namespace Draklo.Web.Tests;

/// <summary>Pictures are judged by their headers alone, whatever they are called and however they are broken.</summary>
public sealed class PictureRulesTests
{
    [Fact]
    public void Each_kind_of_webp_tells_its_size()
    {
        Assert.Equal(("webp", 40, 30), Seen(Webp("VP8 ", at: 26, [40, 0, 30, 0])));
        // Lossless: fourteen bits each, less one.
        Assert.Equal(("webp", 40, 30), Seen(Webp("VP8L", at: 21, Bits(39 | (29u << 14)))));
        Assert.Equal(("webp", 40, 30), Seen(Webp("VP8X", at: 24, [39, 0, 0, 29, 0, 0])));
        Assert.Null(PictureRules.Look(Webp("VP8?", at: 24, [39, 0, 0, 29, 0, 0])).Picture);
    }

    [Fact]
    public void A_webp_that_is_cut_off_or_too_large_is_refused()
    {
        var whole = Webp("VP8X", at: 24, [39, 0, 0, 29, 0, 0]);
        Assert.Contains("no picture", Refused(whole[..40]), StringComparison.Ordinal);
        Assert.Contains("pixels", Refused(Webp("VP8X", at: 24, [255, 255, 255, 29, 0, 0])), StringComparison.Ordinal);
    }

    [Fact]
    public void A_jpeg_is_followed_segment_by_segment_to_its_frame()
    {
        byte[] before = [0xFF, 0xE0, 0, 4, 1, 2, 0xFF, 0xC4, 0, 3, 9];
        Assert.Equal(("jpg", 640, 480), Seen(Jpeg(before, 640, 480)));
        Assert.Contains("no picture", Refused(Jpeg([0xFF, 0xE0, 0xFF, 0xFF, 1], 640, 480)), StringComparison.Ordinal);
        Assert.Contains("no picture", Refused(Jpeg([0x00, 0xE0], 640, 480)), StringComparison.Ordinal);
        Assert.Contains("no picture", Refused(Jpeg(before, 640, 480)[..^2]), StringComparison.Ordinal);
        Assert.Contains("pixels", Refused(Jpeg(before, 0, 480)), StringComparison.Ordinal);
    }

    [Fact]
    public void No_bytes_bring_it_down()
    {
        var chance = new Random(11);
        byte[][] begins =
        [
            [0xFF, 0xD8, 0xFF],
            [0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A],
            [.. "RIFF"u8],
            [],
        ];
        for (var i = 0; i < 4000; i++)
        {
            var bytes = new byte[chance.Next(0, 200)];
            chance.NextBytes(bytes);
            begins[i % begins.Length].AsSpan(0, Math.Min(bytes.Length, begins[i % begins.Length].Length)).CopyTo(bytes);
            if (bytes.Length > 20 && i % 8 < 4)
            {
                (bytes[^2], bytes[^1]) = (0xFF, 0xD9);
                "WEBPVP8X"u8.CopyTo(bytes.AsSpan(8));
            }

            var (picture, problem) = PictureRules.Look(bytes);
            Assert.True(picture is null == problem is not null);
        }
    }

    private static (string, int, int)? Seen(byte[] bytes) =>
        PictureRules.Look(bytes).Picture is { } seen ? (seen.Ending, seen.WidthPx, seen.HeightPx) : null;

    private static string Refused(byte[] bytes) => PictureRules.Look(bytes).Problem!.Message;

    private static byte[] Bits(uint bits)
    {
        var bytes = new byte[4];
        BinaryPrimitives.WriteUInt32LittleEndian(bytes, bits);
        return bytes;
    }

    private static byte[] Webp(string kind, int at, byte[] size)
    {
        var bytes = new byte[60];
        "RIFF"u8.CopyTo(bytes);
        BinaryPrimitives.WriteUInt32LittleEndian(bytes.AsSpan(4), (uint)bytes.Length - 8);
        "WEBP"u8.CopyTo(bytes.AsSpan(8));
        Encoding.ASCII.GetBytes(kind).CopyTo(bytes, 12);
        bytes[16] = (byte)(bytes.Length - 20);
        size.CopyTo(bytes, at);
        return bytes;
    }

    private static byte[] Jpeg(byte[] before, int width, int height) =>
        [
            0xFF,
            0xD8,
            .. before,
            0xFF,
            0xC0,
            0,
            11,
            8,
            (byte)(height >> 8),
            (byte)height,
            (byte)(width >> 8),
            (byte)width,
            1,
            1,
            0x11,
            0,
            0xFF,
            0xD9,
        ];
}
