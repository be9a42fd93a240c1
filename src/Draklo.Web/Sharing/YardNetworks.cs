using System.Formats.Asn1;
using System.Net;
using System.Net.NetworkInformation;
using System.Numerics;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace Draklo.Web.Sharing;

/// <summary>
/// Which addresses the yard's authority may vouch for: those of the networks that the yard is in, and this machine's name.
/// A device that trusts it trusts it for nothing else.
/// </summary>
/// <remarks>Name constraints of RFC 5280, 4.2.1.10, critical: IPv4 networks as address and mask, and one DNS name.</remarks>
internal static class YardNetworks
{
    private const string NameConstraints = "2.5.29.30";
    private const int UsualPrefix = 24;
    private static readonly Asn1Tag Permitted = new(TagClass.ContextSpecific, 0, isConstructed: true);
    private static readonly Asn1Tag DnsName = new(TagClass.ContextSpecific, 2);
    private static readonly Asn1Tag IpAddress = new(TagClass.ContextSpecific, 7);

    /// <summary>The networks that addresses of this machine lie in.</summary>
    public static IEnumerable<IPNetwork> Of(IReadOnlyList<IPAddress> addresses)
    {
        var own = NetworkInterface
            .GetAllNetworkInterfaces()
            .SelectMany(n => n.GetIPProperties().UnicastAddresses)
            .ToList();
        foreach (var address in addresses)
        {
            var prefix = own.FirstOrDefault(o => o.Address.Equals(address))?.PrefixLength ?? UsualPrefix;
            yield return NetworkOf(address, prefix);
        }
    }

    /// <summary>The networks that a certificate may vouch for; null for one that may vouch for everything.</summary>
    public static IReadOnlyList<IPNetwork>? In(X509Certificate2 authority)
    {
        if (authority.Extensions.FirstOrDefault(e => e.Oid?.Value == NameConstraints) is not { } constraints)
        {
            return null;
        }

        List<IPNetwork> networks = [];
        var permitted = new AsnReader(constraints.RawData, AsnEncodingRules.DER).ReadSequence().ReadSequence(Permitted);
        while (permitted.HasData)
        {
            var subtree = permitted.ReadSequence();
            if (!subtree.PeekTag().HasSameClassAndValue(IpAddress))
            {
                continue;
            }

            var bytes = subtree.ReadOctetString(IpAddress);
            var half = bytes.Length / 2;
            networks.Add(NetworkOf(new(bytes[..half]), bytes[half..].Sum(b => BitOperations.PopCount(b))));
        }

        return networks;
    }

    /// <summary>The extension that keeps a certificate to these networks and this name.</summary>
    public static X509Extension Constraint(IEnumerable<IPNetwork> networks, string name)
    {
        var writer = new AsnWriter(AsnEncodingRules.DER);
        using (writer.PushSequence())
        using (writer.PushSequence(Permitted))
        {
            using (writer.PushSequence())
            {
                writer.WriteCharacterString(UniversalTagNumber.IA5String, name, DnsName);
            }

            foreach (var network in networks)
            {
                using (writer.PushSequence())
                {
                    var address = network.BaseAddress.GetAddressBytes();
                    writer.WriteOctetString([.. address, .. Mask(address.Length, network.PrefixLength)], IpAddress);
                }
            }
        }

        return new(new Oid(NameConstraints, "name constraints"), writer.Encode(), critical: true);
    }

    private static IPNetwork NetworkOf(IPAddress address, int prefix)
    {
        var bytes = address.GetAddressBytes();
        var mask = Mask(bytes.Length, prefix);
        return new(new IPAddress([.. bytes.Zip(mask, (b, m) => (byte)(b & m))]), prefix);
    }

    private static byte[] Mask(int length, int prefix) =>
        [.. Enumerable.Range(0, length).Select(i => (byte)(0xFF00 >> Math.Clamp(prefix - (8 * i), 0, 8)))];
}
