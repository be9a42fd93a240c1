using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;

namespace Draklo.Web.Sharing;

/// <summary>How this server is reached from the crew's network.</summary>
/// <param name="Port">For https; 0 takes any that is free.</param>
/// <param name="TrustPort">For the page that explains what a device must trust first, without encryption.</param>
/// <param name="Addresses">Of this machine.</param>
public sealed record ShareSettings(int Port, int TrustPort, IReadOnlyList<IPAddress> Addresses)
{
    public const int UsualPort = 5443;
    public const int UsualTrustPort = 5081;

    /// <summary>This machine's addresses in the networks that it is connected to just now.</summary>
    public static IReadOnlyList<IPAddress> OwnAddresses() =>
        [
            .. NetworkInterface
                .GetAllNetworkInterfaces()
                .Where(n =>
                    n.OperationalStatus == OperationalStatus.Up
                    && n.NetworkInterfaceType != NetworkInterfaceType.Loopback
                )
                .SelectMany(n => n.GetIPProperties().UnicastAddresses)
                .Select(a => a.Address)
                .Where(a => a.AddressFamily == AddressFamily.InterNetwork),
        ];
}

/// <summary>Marks a connection that came in from the crew's network.</summary>
internal sealed class FromCrew;

/// <summary>Marks a connection that came in without encryption, for the page about trust alone.</summary>
internal sealed class ForTrust;
