using System.Globalization;
using System.Text;

namespace Draklo.Browser.Tests.Support;

/// <summary>A printed page as pixels.</summary>
public sealed class PrintedPage
{
    /// <summary>Channels of one pixel further apart than this are a colour.</summary>
    private const int Coloured = 24;

    private readonly int width;
    private readonly int height;
    private readonly byte[] pixels;

    private PrintedPage(int width, int height, byte[] pixels)
    {
        this.width = width;
        this.height = height;
        this.pixels = pixels;
    }

    public bool IsGrey
    {
        get
        {
            for (var i = 0; i + 2 < pixels.Length; i += 3)
            {
                var (most, least) = (
                    Math.Max(pixels[i], Math.Max(pixels[i + 1], pixels[i + 2])),
                    Math.Min(pixels[i], Math.Min(pixels[i + 1], pixels[i + 2]))
                );
                if (most - least > Coloured)
                {
                    return false;
                }
            }

            return true;
        }
    }

    /// <summary>Reads a portable pixmap: "P6", width, height, 255, then three bytes a pixel.</summary>
    public static PrintedPage Read(byte[] pixmap)
    {
        var at = 0;
        string Word()
        {
            while (char.IsWhiteSpace((char)pixmap[at]))
            {
                at++;
            }

            var from = at;
            while (!char.IsWhiteSpace((char)pixmap[at]))
            {
                at++;
            }

            return Encoding.ASCII.GetString(pixmap, from, at - from);
        }

        if (Word() != "P6")
        {
            throw new InvalidDataException("This is no pixmap.");
        }

        var across = int.Parse(Word(), CultureInfo.InvariantCulture);
        var down = int.Parse(Word(), CultureInfo.InvariantCulture);
        _ = Word();
        return new(across, down, pixmap[(at + 1)..]);
    }

    /// <summary>Share of dark pixels within a part of the page; edges as shares of it.</summary>
    public double Ink(double left, double top, double right, double bottom)
    {
        var (dark, all) = (0, 0);
        for (var y = (int)(top * height); y < (int)(bottom * height); y++)
        {
            for (var x = (int)(left * width); x < (int)(right * width); x++)
            {
                all++;
                dark += pixels[((y * width) + x) * 3] < 128 ? 1 : 0;
            }
        }

        return (double)dark / all;
    }
}
