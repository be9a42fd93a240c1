using System.Security.Cryptography;

namespace Draklo.Web.Sharing;

/// <summary>A code that lets one device in.</summary>
/// <param name="JobId">The job whose brief a guest may read; null to pair a device of the crew.</param>
public sealed record PairingCode(string Code, string? JobId, DateTimeOffset EndsAt);

/// <summary>Codes that are valid just now: each for one device, for ten minutes.</summary>
/// <remarks>
/// Ten wrong ones from an address shut that address out for ten minutes, and nobody else: a stranger keeps none of the crew
/// from coming in. Of 32⁸ codes nobody guesses one of twenty.
/// </remarks>
public sealed class PairingCodes(TimeProvider clock)
{
    public const int WrongAtMost = 10;
    private const int Length = 8;
    private const int MostAtOnce = 20;

    /// <summary>Letters and digits that nobody takes for one another.</summary>
    private const string Letters = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";
    private static readonly TimeSpan Valid = TimeSpan.FromMinutes(10);

    private readonly Lock turn = new();
    private readonly Dictionary<string, PairingCode> codes = new(StringComparer.Ordinal);
    private readonly Dictionary<string, (int Count, DateTimeOffset Last)> wrong = new(StringComparer.Ordinal);

    public PairingCode Make(string? jobId)
    {
        lock (turn)
        {
            Forget();
            if (codes.Count >= MostAtOnce)
            {
                codes.Remove(codes.Values.MinBy(c => c.EndsAt)!.Code);
            }

            var made = new PairingCode(
                RandomNumberGenerator.GetString(Letters, Length),
                jobId,
                clock.GetUtcNow() + Valid
            );
            codes[made.Code] = made;
            return made;
        }
    }

    /// <summary>Uses a code up; null, and why, if it is not valid.</summary>
    /// <param name="address">Where it is given.</param>
    /// <returns>With whether it was looked at at all: an address that is shut out is not listened to.</returns>
    public (PairingCode? Code, string Why, bool Heard) Take(string text, string address)
    {
        lock (turn)
        {
            Forget();
            var now = clock.GetUtcNow();
            // Ten in ten minutes, not ten in a summer.
            foreach (var (old, _) in wrong.Where(w => now - w.Value.Last >= Valid).ToList())
            {
                wrong.Remove(old);
            }

            var tried = wrong.GetValueOrDefault(address).Count;
            if (tried >= WrongAtMost)
            {
                return (
                    null,
                    "Too many wrong codes: this device is not let in for ten minutes. Ask at the laptop for a new one then.",
                    false
                );
            }

            var plain = new string([.. text.ToUpperInvariant().Where(char.IsAsciiLetterOrDigit)]);
            if (codes.Remove(plain, out var code))
            {
                wrong.Remove(address);
                return (code, "", true);
            }

            wrong[address] = (tried + 1, now);

            return (null, "This code is not valid, or no longer: ask at the laptop for a new one.", true);
        }
    }

    private void Forget()
    {
        var now = clock.GetUtcNow();
        foreach (var old in codes.Values.Where(c => c.EndsAt <= now).ToList())
        {
            codes.Remove(old.Code);
        }
    }
}
