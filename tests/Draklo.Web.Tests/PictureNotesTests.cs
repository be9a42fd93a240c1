using System.Buffers.Binary;
using System.Text;
using Draklo.Web.Logs;

namespace Draklo.Web.Tests;

/// <summary>What a camera or a program notes in a picture beside what it shows: none of it is kept.</summary>
public sealed class PictureNotesTests
{
    private const string Secret = "47.1234 N, camera 0815";

    [Theory]
    [InlineData(0xE1, "Exif\0\0MM\0*")]
    [InlineData(0xE1, "http://ns.adobe.com/xap/1.0/\0")]
    [InlineData(0xE1, "http://ns.adobe.com/xmp/extension/\0")]
    [InlineData(0xE2, "MPF\0")]
    [InlineData(0xE0, "JFXX\0")]
    [InlineData(0xED, "Photoshop 3.0\08BIM")]
    [InlineData(0xEC, "Ducky")]
    [InlineData(0xFE, "")]
    public void A_jpeg_loses_them_and_keeps_its_picture(byte marker, string name)
    {
        byte[][] kept =
        [
            [0xFF, 0xD8],
            Segment(0xE0, "JFIF\0\x1\x1"),
            Segment(0xE2, "ICC_PROFILE\0colours"),
            Segment(0xEE, "Adobe"),
            Segment(0xDB, "table"),
            Frame,
            // Data with an escaped byte, a restart and a marker between two scans.
            [.. Segment(0xDA, "scan"), 1, 2, 0xFF, 0x00, 3, 0xFF, 0xD0, 4],
            [.. Segment(0xDA, "scan"), 5, 6],
            [0xFF, 0xD9],
        ];
        var note = Segment(marker, name + Secret);
        for (var at = 1; at < kept.Length; at++)
        {
            var seen = PictureRules.Look([.. kept[..at].SelectMany(k => k), .. note, .. kept[at..].SelectMany(k => k)]);
            Assert.Equal(kept.SelectMany(k => k), seen.Picture!.Plain);
        }
    }

    [Fact]
    public void What_stands_behind_a_picture_s_end_is_no_part_of_it()
    {
        byte[] picture = [0xFF, 0xD8, .. Frame, .. Segment(0xDA, "scan"), 1, 2, 0xFF, 0xD9];
        Assert.Equal(picture, PictureNotes.Without([.. picture, .. Encoding.ASCII.GetBytes(Secret)], "jpg"));
        byte[] png = [.. Head, .. Chunk("IHDR", new byte[13]), .. Chunk("IEND", [])];
        Assert.Equal(png, PictureNotes.Without([.. png, .. Encoding.ASCII.GetBytes(Secret)], "png"));
    }

    [Theory]
    [InlineData("tEXt")]
    [InlineData("zTXt")]
    [InlineData("iTXt")]
    [InlineData("eXIf")]
    [InlineData("tIME")]
    [InlineData("prVt")]
    public void A_png_loses_them_and_keeps_its_picture(string name)
    {
        byte[] size = [0, 0, 0, 40, 0, 0, 0, 30, 8, 2, 0, 0, 0];
        byte[][] kept =
        [
            Head,
            Chunk("IHDR", size),
            Chunk("gAMA", new byte[4]),
            Chunk("IDAT", [1, 2, 3]),
            Chunk("IEND", []),
        ];
        var note = Chunk(name, Encoding.ASCII.GetBytes(Secret));
        for (var at = 2; at < kept.Length; at++)
        {
            var seen = PictureRules.Look([.. kept[..at].SelectMany(k => k), .. note, .. kept[at..].SelectMany(k => k)]);
            Assert.Equal(kept.SelectMany(k => k), seen.Picture!.Plain);
        }
    }

    [Theory]
    [InlineData("EXIF")]
    [InlineData("XMP ")]
    [InlineData("prvt")]
    public void A_webp_loses_them_and_no_longer_says_that_it_has_them(string name)
    {
        byte[] extended = [0x0C | 0x20, 0, 0, 0, 39, 0, 0, 29, 0, 0];
        byte[] plain = [0x20, 0, 0, 0, 39, 0, 0, 29, 0, 0];
        var picture = Part("VP8 ", [1, 2, 3, 4, 5]);
        var seen = PictureRules.Look(
            Riff(Part("VP8X", extended), picture, Part(name, Encoding.ASCII.GetBytes(Secret)))
        );
        Assert.Equal(Riff(Part("VP8X", plain), picture), seen.Picture!.Plain);
    }

    [Fact]
    public void A_jpeg_that_only_its_notes_turn_upright_goes_through_the_page()
    {
        foreach (var little in new[] { false, true })
        {
            Assert.Contains(
                "turns it",
                PictureRules.Look(Turned(6, little)).Problem!.Message,
                StringComparison.Ordinal
            );
            Assert.NotNull(PictureRules.Look(Turned(1, little)).Picture);
        }
    }

    [Fact]
    public void Parts_that_run_over_the_end_are_no_picture_and_no_fault()
    {
        byte[] jpeg = [0xFF, 0xD8, .. Frame, .. Segment(0xDA, "scan"), 1, 2, 0xFF, 0xD9];
        byte[] png = [.. Head, .. Chunk("IHDR", new byte[13]), .. Chunk("IDAT", [1, 2]), .. Chunk("IEND", [])];
        var webp = Riff(Part("VP8X", new byte[10]), Part("VP8 ", [1, 2, 3, 4]));
        foreach (var (whole, ending) in new[] { (jpeg, "jpg"), (png, "png"), (webp, "webp") })
        {
            for (var length = 12; length < whole.Length; length++)
            {
                PictureNotes.Without(whole.AsSpan(0, length), ending);
            }

            for (var at = 0; at < whole.Length; at++)
            {
                foreach (var value in new byte[] { 0, 1, 0x7F, 0xFF })
                {
                    var broken = whole.ToArray();
                    broken[at] = value;
                    PictureRules.Look(broken);
                    PictureNotes.LiesTurned(broken);
                }
            }
        }
    }

    private static byte[] Frame => [0xFF, 0xC0, 0, 11, 8, 0, 30, 0, 40, 1, 1, 0x11, 0];

    private static byte[] Head => [0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A];

    private static byte[] Segment(byte marker, string text)
    {
        var bytes = Encoding.Latin1.GetBytes(text);
        return [0xFF, marker, 0, (byte)(bytes.Length + 2), .. bytes];
    }

    private static byte[] Chunk(string name, byte[] content) =>
        [0, 0, 0, (byte)content.Length, .. Encoding.ASCII.GetBytes(name), .. content, 9, 9, 9, 9];

    private static byte[] Part(string name, byte[] content) =>
        [
            .. Encoding.ASCII.GetBytes(name),
            (byte)content.Length,
            0,
            0,
            0,
            .. content,
            .. content.Length % 2 == 1 ? new byte[1] : [],
        ];

    private static byte[] Riff(params byte[][] parts)
    {
        byte[] content = [.. "WEBP"u8, .. parts.SelectMany(p => p)];
        var size = new byte[4];
        BinaryPrimitives.WriteInt32LittleEndian(size, content.Length);
        return [.. "RIFF"u8, .. size, .. content];
    }

    private static byte[] Turned(byte orientation, bool little)
    {
        byte[] tiff = little
            ? [0x49, 0x49, 0x2A, 0, 8, 0, 0, 0, 1, 0, 0x12, 1, 3, 0, 1, 0, 0, 0, orientation, 0, 0, 0, 0, 0, 0, 0]
            : [0x4D, 0x4D, 0, 0x2A, 0, 0, 0, 8, 0, 1, 1, 0x12, 0, 3, 0, 0, 0, 1, 0, orientation, 0, 0, 0, 0, 0, 0];
        var exif = Segment(0xE1, "Exif\0\0" + Encoding.Latin1.GetString(tiff));
        return [0xFF, 0xD8, .. exif, .. Frame, .. Segment(0xDA, "scan"), 1, 2, 0xFF, 0xD9];
    }
}
