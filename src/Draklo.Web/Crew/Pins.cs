using System.Collections.Concurrent;
using System.Globalization;
using Draklo.Store;
using Microsoft.AspNetCore.Identity;

namespace Draklo.Web.Crew;

/// <summary>Whether somebody signs as who they say they are.</summary>
/// <param name="letsOthersIn">Whether devices come in from outside: then the demo's PIN, which everybody can read, is nobody's.</param>
/// <remarks>
/// The hash is ASP.NET Core Identity's, salted and slow. Five wrong tries in a row at one device lock a name there for five
/// minutes, and nowhere else: whoever tries at one device shuts nobody out at another.
/// </remarks>
internal sealed class Pins(PinStore store, TimeProvider clock, bool letsOthersIn = false)
{
    public const int Shortest = 4;
    public const int Longest = 12;

    /// <summary>Of everybody in the demo; the README says so.</summary>
    public const string OfDemo = "2468";
    private const int Tries = 5;
    private static readonly TimeSpan Lock = TimeSpan.FromMinutes(5);
    private readonly PasswordHasher<string> hasher = new();
    private readonly Lock one = new();

    /// <summary>Hashes that were looked at already, by whether they are of the demo's PIN: a look takes its time.</summary>
    private readonly ConcurrentDictionary<string, bool> ofDemo = new(StringComparer.Ordinal);

    public bool Has(string id) => store.Find(id) is not null;

    public static bool IsPin(string? pin) =>
        pin is { Length: >= Shortest and <= Longest } && pin.All(char.IsAsciiDigit);

    /// <summary>Why a new PIN is not taken; null when it is.</summary>
    public string? NotNew(string pin) =>
        !IsPin(pin) ? $"A PIN is {Shortest} to {Longest} digits, and nothing else."
        : letsOthersIn && pin == OfDemo ? $"{OfDemo} is the demo's PIN, which everybody can read: choose another."
        : null;

    public void Set(string id, string pin) => store.Keep(id, hasher.HashPassword(id, pin));

    /// <summary>Ids of the people who still have the demo's PIN.</summary>
    public IReadOnlyList<string> WithDemoPin() =>
        [.. store.Ids().Where(id => store.Find(id) is { } hash && ofDemo.GetOrAdd(hash, h => Is(id, h, OfDemo)))];

    /// <summary>Whether a PIN is somebody's; null when it is, otherwise why it was not taken.</summary>
    /// <param name="toChange">The demo's own PIN may be given, to set another.</param>
    public string? Refusal(string id, string name, string? pin, bool toChange = false)
    {
        // One at a time, so that nobody tries many at once.
        lock (one)
        {
            if (store.Find(id) is not { } hash)
            {
                return $"{name} has no PIN yet: set one in the crew's book.";
            }

            var (now, at) = (clock.GetUtcNow(), Author.Device);
            var tries = store.Tries(id, at);
            var here = at.Length == 0 ? "" : " at this device";
            if (tries.LockedUntil is { } locked && locked > now)
            {
                var until = TimeZoneInfo.ConvertTime(locked, clock.LocalTimeZone);
                return $"Too many wrong PINs for {name}{here}: try again after {until.ToString("HH:mm", CultureInfo.InvariantCulture)}.";
            }

            if (IsPin(pin) && Is(id, hash, pin!))
            {
                if (tries.Failed > 0)
                {
                    store.Keep(id, at, PinTries.None);
                }

                return letsOthersIn && !toChange && pin == OfDemo
                    ? $"{name} still has the demo's PIN, which everybody can read: change it in the crew's book, at the laptop, first."
                    : null;
            }

            var failed = tries.Failed + 1;
            store.Keep(id, at, failed >= Tries ? new(0, now + Lock) : new(failed, null));
            return failed >= Tries
                ? $"That is not {name}'s PIN, for the fifth time: nobody can sign as {name}{here} for five minutes."
                : $"That is not {name}'s PIN.";
        }
    }

    private bool Is(string id, string hash, string pin) =>
        hasher.VerifyHashedPassword(id, hash, pin) != PasswordVerificationResult.Failed;
}
