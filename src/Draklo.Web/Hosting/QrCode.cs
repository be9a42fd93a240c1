using Draklo.Web.Sharing;
using QRCoder;

namespace Draklo.Web.Hosting;

/// <summary>Addresses of this server as square codes.</summary>
internal static class QrCode
{
    /// <summary>
    /// The address is the one that devices of the crew are let in under, where this machine is shared; otherwise the one that
    /// this page was asked for under.
    /// </summary>
    /// <param name="path">Of a page, with its slash.</param>
    public static IResult Of(HttpRequest request, SharedAddresses shared, string path)
    {
        var address = shared.Address.Length > 0 ? shared.Address : $"{request.Scheme}://{request.Host}";
        return Results.Text(Svg(address + path), "image/svg+xml");
    }

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
