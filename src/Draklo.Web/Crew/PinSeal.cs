using System.Security.Cryptography;
using System.Text;
using Draklo.Store;

namespace Draklo.Web.Crew;

/// <summary>Opens PINs that were given at a tablet out of range; only this data folder can.</summary>
/// <remarks>
/// RSA with OAEP and SHA-256. A sealed PIN is bound to what it was given for: moved elsewhere it opens nothing.
/// </remarks>
internal sealed class PinSeal(string folder)
{
    private const int Bits = 2048;
    private readonly Lazy<RSA> key = new(() => Load(Path.Combine(Path.GetFullPath(folder), "seal.pem")));

    /// <summary>SubjectPublicKeyInfo in base64.</summary>
    public string PublicKey => Convert.ToBase64String(key.Value.ExportSubjectPublicKeyInfo());

    /// <summary>The PIN; null where the seal is not ours or was given for something else.</summary>
    public string? Open(string sealedPin, SealedFor what)
    {
        try
        {
            var text = Encoding.UTF8.GetString(
                key.Value.Decrypt(Convert.FromBase64String(sealedPin), RSAEncryptionPadding.OaepSHA256)
            );
            var parts = text.Split('\n');
            return parts.Length == 2 && parts[1] == BoundTo(what) ? parts[0] : null;
        }
        catch (Exception e) when (e is FormatException or CryptographicException)
        {
            return null;
        }
    }

    /// <summary>What a seal is bound to, short enough to fit beside the PIN.</summary>
    private static string BoundTo(SealedFor what) =>
        Convert.ToHexStringLower(
            SHA256.HashData(
                Encoding.UTF8.GetBytes($"{what.JobId}\n{what.Act}\n{what.Signer}\n{what.For}\n{what.Fingerprint}")
            )
        );

    private static RSA Load(string path)
    {
        if (File.Exists(path))
        {
            var known = RSA.Create();
            known.ImportFromPem(File.ReadAllText(path));
            return known;
        }

        var made = RSA.Create(Bits);
        var begun = $"{path}.{Guid.NewGuid():N}.new";
        File.WriteAllText(begun, made.ExportPkcs8PrivateKeyPem());
        DataFolder.MakeOwnFile(begun);
        File.Move(begun, path, overwrite: true);
        return made;
    }
}

/// <summary>What a PIN is given for.</summary>
/// <param name="Act">"sign" or "issue".</param>
/// <param name="Signer">Whose PIN it is.</param>
/// <param name="For">Whose name it puts there.</param>
/// <param name="Fingerprint">Of the page.</param>
internal sealed record SealedFor(string JobId, string Act, string Signer, string For, string Fingerprint);
