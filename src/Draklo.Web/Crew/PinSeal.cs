using System.Security.Cryptography;
using System.Text;
using Draklo.Store;

namespace Draklo.Web.Crew;

/// <summary>Opens PINs that were given at a tablet out of range; only this data folder can.</summary>
/// <remarks>
/// RSA with OAEP and SHA-256. A sealed PIN is bound to the job, the name and the page that it was given for: moved
/// elsewhere it opens nothing.
/// </remarks>
internal sealed class PinSeal(string folder)
{
    private const int Bits = 2048;
    private readonly Lazy<RSA> key = new(() => Load(Path.Combine(Path.GetFullPath(folder), "seal.pem")));

    /// <summary>SubjectPublicKeyInfo in base64.</summary>
    public string PublicKey => Convert.ToBase64String(key.Value.ExportSubjectPublicKeyInfo());

    /// <summary>The PIN; null where the seal is not ours or was given for something else.</summary>
    public string? Open(string sealedPin, string jobId, string name, string fingerprint)
    {
        try
        {
            var text = Encoding.UTF8.GetString(
                key.Value.Decrypt(Convert.FromBase64String(sealedPin), RSAEncryptionPadding.OaepSHA256)
            );
            var parts = text.Split('\n');
            return parts.Length == 2 && parts[1] == BoundTo(jobId, name, fingerprint) ? parts[0] : null;
        }
        catch (Exception e) when (e is FormatException or CryptographicException)
        {
            return null;
        }
    }

    /// <summary>What a seal is bound to, short enough to fit beside the PIN.</summary>
    private static string BoundTo(string jobId, string name, string fingerprint) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes($"{jobId}\n{name}\n{fingerprint}")));

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
