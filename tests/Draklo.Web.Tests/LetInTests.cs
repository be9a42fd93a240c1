using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Draklo.Web.Sharing;

namespace Draklo.Web.Tests;

/// <summary>The yard's authority over the years, and codes over the minutes.</summary>
public sealed class LetInTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("draklo-authority-").FullName;
    private readonly SetClock clock = new();

    public void Dispose() => Directory.Delete(folder, recursive: true);

    [Fact]
    public void The_server_s_certificate_is_renewed_before_it_runs_out_and_the_authority_stays()
    {
        string trusted;
        byte[] first;
        using (var authority = Authority("192.168.1.20"))
        {
            (trusted, first) = (authority.Fingerprint, authority.Server.RawData);
            Assert.True(Holds(authority));
        }

        using (var again = Authority("192.168.1.20"))
        {
            Assert.Equal(first, again.Server.RawData);
        }

        // It ran out while the laptop lay in a drawer: devices that trusted the yard notice nothing.
        clock.Now = clock.Now.AddDays(600);
        using var later = Authority("192.168.1.20");
        Assert.NotEqual(first, later.Server.RawData);
        Assert.Equal(trusted, later.Fingerprint);
        Assert.True(Holds(later));
    }

    [Fact]
    public void Another_address_gets_another_certificate_of_the_same_authority()
    {
        using var first = Authority("192.168.1.20");
        using var second = Authority("192.168.1.77");
        Assert.Equal(first.Fingerprint, second.Fingerprint);
        Assert.False(second.TakesAnothersPlace);
        var names = second.Server.Extensions.OfType<X509SubjectAlternativeNameExtension>().Single();
        Assert.Contains(IPAddress.Parse("192.168.1.77"), names.EnumerateIPAddresses());
        Assert.True(Holds(second));
    }

    [Fact]
    public void An_authority_vouches_for_the_yard_s_networks_alone_and_is_made_anew_in_another()
    {
        using var home = Authority("192.168.1.20");
        Assert.True(Holds(home));
        using var stolen = X509Certificate2.CreateFromPemFile(
            Path.Combine(folder, "share", "authority.pem"),
            Path.Combine(folder, "share", "authority.key.pem")
        );
        foreach (
            var (name, address, holds) in new[]
            {
                (Dns.GetHostName(), "192.168.1.99", true),
                ("bank.example", null, false),
                (null, "8.8.8.8", false),
                ((string?)null, (string?)"192.168.2.20", false),
            }
        )
        {
            using var made = VouchedFor(stolen, name, address);
            Assert.Equal(holds, Holds(home, made));
        }

        using var away = Authority("10.0.0.7");
        Assert.NotEqual(home.Fingerprint, away.Fingerprint);
        Assert.True(away.TakesAnothersPlace);
        Assert.True(Holds(away));
        // Back home the devices that trust it need no other.
        using var back = Authority("192.168.1.20");
        Assert.Equal(away.Fingerprint, back.Fingerprint);
        Assert.True(Holds(back));
    }

    /// <summary>What somebody could make who has the authority's key.</summary>
    private X509Certificate2 VouchedFor(X509Certificate2 authority, string? name, string? address)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=made", key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        if (name is not null)
        {
            names.AddDnsName(name);
        }

        if (address is not null)
        {
            names.AddIpAddress(IPAddress.Parse(address));
        }

        request.CertificateExtensions.Add(names.Build());
        return request.Create(authority, clock.Now.AddDays(-1), clock.Now.AddDays(30), [1, 2, 3]);
    }

    [Fact]
    public void An_authority_that_ran_out_or_was_cut_short_is_made_anew()
    {
        using var first = Authority("192.168.1.20");
        clock.Now = clock.Now.AddYears(11);
        using var second = Authority("192.168.1.20");
        Assert.NotEqual(first.Fingerprint, second.Fingerprint);
        Assert.True(Holds(second));
        File.WriteAllText(Path.Combine(folder, "share", "authority.key.pem"), "-----BEGIN");
        using var third = Authority("192.168.1.20");
        Assert.NotEqual(second.Fingerprint, third.Fingerprint);
        Assert.True(Holds(third));
    }

    [Fact]
    [System.Runtime.Versioning.UnsupportedOSPlatform("windows")]
    public void Keys_can_be_read_by_nobody_else_on_this_machine()
    {
        using var authority = Authority("192.168.1.20");
        _ = authority.Server;
        foreach (var file in Directory.EnumerateFiles(Path.Combine(folder, "share")))
        {
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(file));
        }
    }

    [Fact]
    public void A_code_ends_after_ten_minutes()
    {
        var codes = new PairingCodes(clock);
        var code = codes.Make(null);
        clock.Now = clock.Now.AddMinutes(10);
        Assert.Null(codes.Take(code.Code, Phone).Code);
    }

    [Fact]
    public void Ten_wrong_codes_shut_their_sender_out_for_ten_minutes_and_nobody_else()
    {
        var codes = new PairingCodes(clock);
        var code = codes.Make(null);
        for (var i = 0; i < PairingCodes.WrongAtMost; i++)
        {
            Assert.Null(codes.Take($"WRONG{i}", Stranger).Code);
        }

        var (taken, why, heard) = codes.Take(code.Code, Stranger);
        Assert.False(heard);
        Assert.Null(taken);
        Assert.Contains("Too many wrong codes", why, StringComparison.Ordinal);
        Assert.NotNull(codes.Take(code.Code, Phone).Code);
        clock.Now = clock.Now.AddMinutes(11);
        Assert.NotNull(codes.Take(codes.Make(null).Code, Stranger).Code);
    }

    private const string Phone = "192.168.1.20";
    private const string Stranger = "192.168.1.99";

    private LocalAuthority Authority(string address) => new(folder, [IPAddress.Parse(address)], clock);

    /// <summary>Whether a device that trusts the authority trusts the server, at the time of the clock.</summary>
    private bool Holds(LocalAuthority authority) => Holds(authority, authority.Server);

    private bool Holds(LocalAuthority authority, X509Certificate2 server)
    {
        using var root = X509CertificateLoader.LoadCertificate(authority.CertificateFile);
        using var chain = new X509Chain
        {
            ChainPolicy =
            {
                TrustMode = X509ChainTrustMode.CustomRootTrust,
                RevocationMode = X509RevocationMode.NoCheck,
                VerificationTime = clock.Now.UtcDateTime,
                VerificationTimeIgnored = false,
                CustomTrustStore = { root },
            },
        };
        return chain.Build(server);
    }
}
