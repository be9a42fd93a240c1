using QRCoder;

namespace Draklo.Web.Hosting;

/// <summary>Addresses of this server as square codes.</summary>
internal static class QrCode
{
    /// <summary>The address is the one that this page was asked for under: whoever reached it can be reached by it.</summary>
    /// <param name="path">Of a page, with its slash.</param>
    public static IResult Of(HttpRequest request, string path)
    {
        using var maker = new QRCodeGenerator();
        using var data = maker.CreateQrCode($"{request.Scheme}://{request.Host}{path}", QRCodeGenerator.ECCLevel.M);
        var svg = new SvgQRCode(data).GetGraphic(
            1,
            "#000000",
            "#ffffff",
            drawQuietZones: true,
            SvgQRCode.SizingMode.ViewBoxAttribute
        );
        return Results.Text(svg, "image/svg+xml");
    }
}
