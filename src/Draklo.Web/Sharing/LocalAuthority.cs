using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Draklo.Store;

namespace Draklo.Web.Sharing;

/// <summary>
/// The yard's own certificate authority, made on first use: devices of the crew trust it once, and from then on nobody else
/// can answer in this server's name.
/// </summary>
/// <remarks>
/// The server's certificate is made again a month before it runs out, or when its addresses change; devices notice nothing,
/// for the authority stays. It may vouch for the networks that the yard was in when it was made, and for nothing else: in a
/// new network a new one is made, for that and the earlier ones, which devices trust anew.
/// </remarks>
public sealed class LocalAuthority : IDisposable
{
    private const int YearsOfAuthority = 10;
    private const int DaysOfServer = 390;
    private static readonly TimeSpan RenewBefore = TimeSpan.FromDays(30);

    private readonly string folder;
    private readonly IReadOnlyList<IPAddress> addresses;
    private readonly TimeProvider clock;
    private readonly Lock turn = new();
    private X509Certificate2 authority;
    private X509Certificate2? server;

    public LocalAuthority(string dataFolder, IReadOnlyList<IPAddress> addresses, TimeProvider clock)
    {
        folder = Path.Combine(Path.GetFullPath(dataFolder), "share");
        (this.addresses, this.clock) = (addresses, clock);
        DataFolder.MakeOwn(folder);
        var (kept, networks) = (Load("authority"), YardNetworks.Of(addresses).ToList());
        var known = kept is null ? null : YardNetworks.In(kept);
        if (kept is not null && known is not null && kept.NotAfter > Now + RenewBefore && networks.All(known.Contains))
        {
            authority = kept;
            return;
        }

        kept?.Dispose();
        authority = MakeAuthority(networks.Union(known ?? []));
        TakesAnothersPlace = kept is not null;
    }

    /// <summary>What devices are asked to trust, as a file.</summary>
    public byte[] CertificateFile => authority.Export(X509ContentType.Cert);

    /// <summary>SHA-256 of the authority's certificate, in pairs: the same on the laptop and on the device.</summary>
    public string Fingerprint =>
        string.Join(' ', Convert.ToHexString(SHA256.HashData(authority.RawData)).Chunk(4).Select(c => new string(c)));

    /// <summary>Whether this run made it in place of an earlier one: then every device trusts it anew.</summary>
    public bool TakesAnothersPlace { get; }

    public DateTimeOffset TrustedSince => new(authority.NotBefore.AddDays(1));

    public DateTimeOffset TrustedUntil => new(authority.NotAfter);

    /// <summary>The server's certificate, made if no valid one exists.</summary>
    public X509Certificate2 Server
    {
        get
        {
            lock (turn)
            {
                server ??= Load("server") is { } known && Fits(known) ? known : null;
                if (server is null || server.NotAfter <= Now + RenewBefore)
                {
                    server = MakeServer();
                }

                return server;
            }
        }
    }

    private DateTime Now => clock.GetLocalNow().DateTime;

    private bool Fits(X509Certificate2 known) =>
        known.NotAfter > Now + RenewBefore
        && known.Issuer == authority.Subject
        && known.Extensions.OfType<X509SubjectAlternativeNameExtension>().FirstOrDefault() is { } names
        && addresses.All(names.EnumerateIPAddresses().Contains)
        && known.Extensions.OfType<X509AuthorityKeyIdentifierExtension>().FirstOrDefault()?.KeyIdentifier is { } issuer
        && authority.Extensions.OfType<X509SubjectKeyIdentifierExtension>().FirstOrDefault() is { } own
        && issuer.Span.SequenceEqual(own.SubjectKeyIdentifierBytes.Span);

    private X509Certificate2 MakeAuthority(IEnumerable<IPNetwork> networks)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest(
            $"CN=Draklo yard {Dns.GetHostName()}, O=Draklo",
            key,
            HashAlgorithmName.SHA256
        );
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(true, true, 0, true));
        request.CertificateExtensions.Add(
            new X509KeyUsageExtension(X509KeyUsageFlags.KeyCertSign | X509KeyUsageFlags.CrlSign, true)
        );
        request.CertificateExtensions.Add(new X509SubjectKeyIdentifierExtension(request.PublicKey, false));
        request.CertificateExtensions.Add(YardNetworks.Constraint(networks, Dns.GetHostName()));
        var now = clock.GetUtcNow();
        using var made = request.CreateSelfSigned(now.AddDays(-1), now.AddYears(YearsOfAuthority));
        return Keep("authority", made, key);
    }

    private X509Certificate2 MakeServer()
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest($"CN={Dns.GetHostName()}", key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        names.AddDnsName(Dns.GetHostName());
        foreach (var address in addresses)
        {
            names.AddIpAddress(address);
        }

        request.CertificateExtensions.Add(names.Build());
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(false, false, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, true));
        request.CertificateExtensions.Add(
            new X509EnhancedKeyUsageExtension([new Oid("1.3.6.1.5.5.7.3.1", "server authentication")], false)
        );
        request.CertificateExtensions.Add(
            X509AuthorityKeyIdentifierExtension.CreateFromCertificate(authority, true, false)
        );
        var now = clock.GetUtcNow();
        using var made = request.Create(
            authority,
            now.AddDays(-1),
            new[] { now.AddDays(DaysOfServer), new DateTimeOffset(authority.NotAfter) }.Min(),
            RandomNumberGenerator.GetBytes(16)
        );
        return Keep("server", made, key);
    }

    private X509Certificate2 Keep(string name, X509Certificate2 made, ECDsa key)
    {
        Write($"{name}.pem", made.ExportCertificatePem());
        Write($"{name}.key.pem", key.ExportPkcs8PrivateKeyPem());
        return Load(name)!;
    }

    private void Write(string name, string text)
    {
        var path = Path.Combine(folder, name);
        var begun = $"{path}.{Guid.NewGuid():N}.new";
        File.WriteAllText(begun, text);
        DataFolder.MakeOwnFile(begun);
        File.Move(begun, path, overwrite: true);
    }

    private X509Certificate2? Load(string name)
    {
        var (certificate, key) = (Path.Combine(folder, $"{name}.pem"), Path.Combine(folder, $"{name}.key.pem"));
        if (!File.Exists(certificate) || !File.Exists(key))
        {
            return null;
        }

        try
        {
            return X509Certificate2.CreateFromPemFile(certificate, key);
        }
        catch (CryptographicException)
        {
            // Cut short or not ours: a new one is made.
            return null;
        }
    }

    public void Dispose()
    {
        authority.Dispose();
        server?.Dispose();
    }
}
