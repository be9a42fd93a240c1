using System.Globalization;
using Draklo.Store;
using Microsoft.AspNetCore.Identity;

namespace Draklo.Web.Crew;

/// <summary>Whether somebody signs as who they say they are.</summary>
/// <remarks>
/// The hash is ASP.NET Core Identity's, salted and slow. Five wrong tries in a row lock a name for five minutes.
/// </remarks>
internal sealed class Pins(PinStore store, TimeProvider clock)
{
    public const int Shortest = 4;
    public const int Longest = 12;
    private const int Tries = 5;
    private static readonly TimeSpan Lock = TimeSpan.FromMinutes(5);
    private readonly PasswordHasher<string> hasher = new();
    private readonly Lock one = new();

    public bool Has(string id) => store.Find(id) is not null;

    public static bool IsPin(string? pin) =>
        pin is { Length: >= Shortest and <= Longest } && pin.All(char.IsAsciiDigit);

    public void Set(string id, string pin) => store.Keep(id, new(hasher.HashPassword(id, pin), 0, null));

    /// <summary>Whether a PIN is somebody's; null when it is, otherwise why it was not taken.</summary>
    public string? Refusal(string id, string name, string? pin)
    {
        // One at a time, so that nobody tries many at once.
        lock (one)
        {
            if (store.Find(id) is not { } kept)
            {
                return $"{name} has no PIN yet: set one in the crew's book.";
            }

            var now = clock.GetUtcNow();
            if (kept.LockedUntil > now)
            {
                var until = TimeZoneInfo.ConvertTime(kept.LockedUntil.Value, clock.LocalTimeZone);
                return $"Too many wrong PINs for {name}: try again after {until.ToString("HH:mm", CultureInfo.InvariantCulture)}.";
            }

            if (IsPin(pin) && hasher.VerifyHashedPassword(id, kept.Hash, pin!) != PasswordVerificationResult.Failed)
            {
                if (kept.Failed > 0)
                {
                    store.Keep(id, kept with { Failed = 0, LockedUntil = null });
                }

                return null;
            }

            var failed = kept.Failed + 1;
            store.Keep(
                id,
                failed >= Tries ? kept with { Failed = 0, LockedUntil = now + Lock } : kept with { Failed = failed }
            );
            return failed >= Tries
                ? $"That is not {name}'s PIN, for the fifth time: nobody can sign as {name} for five minutes."
                : $"That is not {name}'s PIN.";
        }
    }
}
