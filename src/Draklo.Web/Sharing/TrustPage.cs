using System.Net;
using System.Text;

namespace Draklo.Web.Sharing;

/// <summary>The one-time step that a device takes before it opens the yard: trusting its authority. Served without encryption,
/// for that comes after it.</summary>
internal static class TrustPage
{
    private const string File = "/trust/draklo-yard.crt";

    private static readonly (string Device, string[] Steps)[] Kinds =
    [
        (
            "iPhone and iPad",
            [
                "Open this page in Safari and download the file above; allow the profile.",
                "Settings, at the top: Profile downloaded, Install, and give the device's own code.",
                "Compare: Settings, General, VPN & Device Management, “Draklo yard”, More Details, the certificate; its fingerprint SHA-256 stands at the end.",
                "Only if it is the laptop's: Settings, General, About, Certificate Trust Settings: switch it on for “Draklo yard”.",
            ]
        ),
        (
            "Android",
            [
                "Download the file above.",
                "Settings, search for “CA certificate”, Install anyway, and choose the file. The device must have a screen lock.",
                "Compare: Settings, search for “Trusted credentials” or “User credentials”, User, “Draklo yard”; SHA-256 fingerprint. If it is not the laptop's, remove it there.",
                "The device says from then on that the network may be watched: that is this certificate.",
            ]
        ),
        (
            "Windows",
            [
                "Compare: in PowerShell, in the folder of the file, Get-FileHash draklo-yard.crt -Algorithm SHA256.",
                "Only if it is the laptop's: open the file, Install Certificate, Current User.",
                "Place it in “Trusted Root Certification Authorities”, and confirm.",
            ]
        ),
        (
            "Mac",
            [
                "Open the file above: Keychain Access takes it, under “login”.",
                "Double-click “Draklo yard” there and compare: Details, at the end, Fingerprints, SHA-256.",
                "Only if it is the laptop's: Trust, and choose Always Trust.",
            ]
        ),
        (
            "Linux and Chromium",
            [
                "Compare: in a terminal, in the folder of the file, sha256sum draklo-yard.crt.",
                "Only if it is the laptop's: Settings, Privacy and security, Security, Manage certificates, Authorities: import the file for websites.",
            ]
        ),
        (
            "Firefox anywhere",
            [
                "Settings, Privacy & Security, View Certificates, Authorities: import the file.",
                "In what opens, View shows its SHA-256 fingerprint: compare. Only if it is the laptop's, trust it for websites.",
            ]
        ),
    ];

    public static void MapTrust(this IEndpointRouteBuilder app)
    {
        app.MapGet(
                "/trust",
                (LocalAuthority authority, SharedAddresses addresses) =>
                    Results.Text(Page(authority, addresses.Address), "text/html; charset=utf-8")
            )
            .ExcludeFromDescription();
        app.MapGet("/trust/page.css", () => Results.Text(Style, "text/css")).ExcludeFromDescription();
        app.MapGet(
                File,
                (LocalAuthority authority) =>
                    Results.File(authority.CertificateFile, "application/x-x509-ca-cert", "draklo-yard.crt")
            )
            .ExcludeFromDescription();
    }

    private static string Page(LocalAuthority authority, string address)
    {
        var html = new StringBuilder(
            $"""
            <!doctype html><html lang="en"><head><meta charset="utf-8"><title>Trust this yard · Draklo</title>
            <meta name="viewport" content="width=device-width, initial-scale=1"><link rel="stylesheet" href="/trust/page.css"></head>
            <body><main><h1>Trust this yard, once</h1>
            <p>Draklo runs on a laptop of your own crew, not on the internet. So that nobody else on this network can pose as it, each device is told once what to trust. It takes a minute.</p>
            <p><a class="take" href="{File}">Download the certificate</a></p>
            <p>Compare before you trust it: what this device itself says of the file, by the steps below, with what the laptop shows on its page Sharing. This page came without encryption, so its own word proves nothing. If letters or digits differ, stop and ask the lead. The laptop should show:</p>
            <p class="print">{WebUtility.HtmlEncode(authority.Fingerprint)}</p>
            <p>The certificate vouches for the yard's own network and this laptop's name, and for no other address.</p>
            """
        );
        foreach (var (device, steps) in Kinds)
        {
            html.Append($"<h2>{WebUtility.HtmlEncode(device)}</h2><ol>");
            foreach (var step in steps)
            {
                html.Append($"<li>{WebUtility.HtmlEncode(step)}</li>");
            }

            html.Append("</ol>");
        }

        return html.Append(
                $"""
                <h2>Then</h2><p><a href="{address}">Open {WebUtility.HtmlEncode(
                    address
                )}</a> and give the code that the laptop shows.
                If the browser warns, the device does not trust the certificate yet, or its clock is wrong: look at its date first.</p>
                <p>To take it back, remove “Draklo yard” where you put it. The certificate holds until {authority.TrustedUntil:yyyy-MM-dd}.</p>
                </main></body></html>
                """
            )
            .ToString();
    }

    private const string Style = """
        body { margin: 0; background: #f5f2e9; color: #1d2a2f; font: 17px/1.45 system-ui, sans-serif; }
        main { max-width: 40rem; margin: 0 auto; padding: 1rem; }
        h1 { font-size: 1.6rem; } h2 { font-size: 1.1rem; margin: 1.4rem 0 0.2rem; }
        ol { margin: 0; padding-left: 1.3rem; } a { color: inherit; }
        .take { display: inline-block; padding: 0.8rem 1.2rem; background: #1d2a2f; color: #fbfaf5; text-decoration: none; }
        .print { font-family: ui-monospace, monospace; border: 1px solid; padding: 0.6rem; overflow-wrap: anywhere; }
        """;
}
