using QRCoder;

namespace Draklo.Web.Hosting;

/// <summary>Addresses of this server as square codes.</summary>
internal static class QrCode
{
    /// <summary>The address is the one that this page was asked for under: whoever reached it can be reached by it.</summary>
    /// <param name="path">Of a page, with its slash.</param>
    public static IResult Of(HttpRequest request, string path) =>
        Results.Text(Svg($"{request.Scheme}://{request.Host}{path}"), "image/svg+xml");

    public static string Svg(string address)
    {
        using var maker = new QRCodeGenerator();
        using var data = maker.CreateQrCode(address, QRCodeGenerator.ECCLevel.M);
        return new SvgQRCode(data).GetGraphic(
            1,
            "#000000",
            "#ffffff",
            drawQuietZones: true,
            SvgQRCode.SizingMode.ViewBoxAttribute
        );
    }

    /// <summary>In half blocks, for a terminal.</summary>
    public static string Blocks(string address)
    {
        using var maker = new QRCodeGenerator();
        using var data = maker.CreateQrCode(address, QRCodeGenerator.ECCLevel.L);
        return new AsciiQRCode(data).GetGraphicSmall();
    }
}
