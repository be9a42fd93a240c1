using System.Text;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Crew;
using Draklo.Web.Hosting;

namespace Draklo.Web.Sharing;

/// <summary>Pairing, signing in, and what the lead sees of it.</summary>
internal static class SharingEndpoints
{
    private const int ShownTried = 100;
    private static readonly TimeSpan WorkingDay = TimeSpan.FromHours(12);
    private static readonly TimeSpan DeviceStays = TimeSpan.FromDays(400);

    public static void MapSharing(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/session", (HttpContext http) => Results.Ok(SessionOf(http)))
            .WithName("session")
            .WithTags("sharing")
            .WithSummary("Who this page speaks for, and what they may do.")
            .Produces<SessionAnswer>();
        app.MapPost("/api/pair", PairAsync)
            .WithName("pair")
            .WithTags("sharing")
            .WithSummary("Lets a device in by a code from the laptop.")
            .Accepts<PairDocument>("application/json")
            .Produces<PairedAnswer>()
            .ProducesValidationProblem(422);
        app.MapGet("/api/session/people", (PersonStore people, PinStore pins) => Results.Ok(Signers(people, pins)))
            .WithName("peopleToSignIn")
            .WithTags("sharing")
            .WithSummary("Who can sign in: people of the crew's book with a PIN.")
            .Produces<IReadOnlyList<Signer>>();
        app.MapPost("/api/session", SignInAsync)
            .WithName("signIn")
            .WithTags("sharing")
            .WithSummary("Signs somebody in on this device for a working day.")
            .Accepts<SignInDocument>("application/json")
            .Produces<SessionAnswer>()
            .ProducesValidationProblem(422);
        app.MapDelete("/api/session", SignOut)
            .WithName("signOut")
            .WithTags("sharing")
            .WithSummary("Signs out on this device; it stays paired.")
            .Produces(204);
        app.MapGet("/api/sharing", Sharing)
            .WithName("sharing")
            .WithTags("sharing")
            .WithSummary(
                "How the yard is shared: addresses, devices, who is signed in, and every sign-in that was tried."
            )
            .Produces<SharingAnswer>();
        app.MapPost("/api/sharing/codes", CodeAsync)
            .WithName("makeCode")
            .WithTags("sharing")
            .WithSummary("Makes a code that lets one device in within ten minutes.")
            .Accepts<CodeDocument>("application/json")
            .Produces<CodeAnswer>()
            .ProducesProblem(409)
            .ProducesValidationProblem(422);
        app.MapDelete("/api/sharing/sessions/{session}", EndSession)
            .WithName("endSession")
            .WithTags("sharing")
            .WithSummary("Signs somebody out wherever they are.")
            .Produces(204)
            .ProducesProblem(404);
        app.MapDelete("/api/sharing/devices/{device}", ForgetDevice)
            .WithName("forgetDevice")
            .WithTags("sharing")
            .WithSummary("Forgets a device: it needs a new code, and whoever is signed in on it is signed out.")
            .Produces(204)
            .ProducesProblem(404);
    }

    private static SessionAnswer SessionOf(HttpContext http)
    {
        if (http.Features.Get<FromCrew>() is null)
        {
            return new(true, true, "", Role.Lead, Rights.All(Role.Lead), null, null);
        }

        var visitor = Visitor.Of(http);
        return visitor switch
        {
            { Session: { } session } => new(
                false,
                true,
                session.Name,
                visitor.Role,
                Rights.All(visitor.Role),
                session.JobId,
                session.EndsAt
            ),
            // A guest's device was let in for a day; then it needs another code.
            _ => new(false, visitor.Device is { GuestOf: null }, "", null, [], null, null),
        };
    }

    private static List<Signer> Signers(PersonStore people, PinStore pins)
    {
        var able = pins.Ids().ToHashSet(StringComparer.Ordinal);
        return [.. people.List().Where(p => able.Contains(p.Id)).Select(p => new Signer(p.Id, p.Name))];
    }

    private static async Task<IResult> PairAsync(
        HttpContext http,
        PairingCodes codes,
        SessionStore sessions,
        TimeProvider clock
    )
    {
        var (asked, refusal) = await http.Request.ReadCheckedAsync<PairDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        var name = asked.Device.Trim().Length > 0 ? asked.Device.Trim() : "a device";
        var (code, why, heard) = codes.Take(asked.Code, Door.AddressOf(http));
        if (code is null)
        {
            if (heard)
            {
                sessions.Note("wrong code", "", name, Door.AddressOf(http));
            }

            return PlainProblems.Refused([new("code", why)]);
        }

        var (device, token) = sessions.Pair(name, code.JobId);
        http.Response.Cookies.Append(Door.DeviceCookie, token, Cookie(DeviceStays));
        sessions.Note(code.JobId is null ? "device paired" : "guest let in", "", device.Name, Door.AddressOf(http));
        if (code.JobId is { } jobId)
        {
            // A guest reads until the day ends; then the code of another day lets in again.
            var now = clock.GetLocalNow();
            var untilNight = now.Date.AddDays(1) - now.DateTime;
            var session = sessions.Begin(device.Id, null, "Guest", $"{Role.Guest}", jobId, untilNight);
            http.Response.Cookies.Append(Door.SessionCookie, session, Cookie(untilNight));
        }

        return Results.Ok(new PairedAnswer(code.JobId));
    }

    private static async Task<IResult> SignInAsync(
        HttpContext http,
        PersonStore people,
        Pins pins,
        SessionStore sessions
    )
    {
        var (asked, refusal) = await http.Request.ReadCheckedAsync<SignInDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        if (Visitor.Of(http).Device is not { } device)
        {
            return PlainProblems.Refused([new("personId", "At this machine nobody signs in: open it here as it is.")]);
        }

        if (people.List().FirstOrDefault(p => p.Id == asked.PersonId) is not { } person)
        {
            return PlainProblems.Refused([new("personId", "There is nobody of this name in the crew's book.")]);
        }

        if (pins.Refusal(person.Id, person.Name, asked.Pin) is { } wrong)
        {
            sessions.Note("wrong PIN", person.Name, device.Name, Door.AddressOf(http));
            return PlainProblems.Refused([new("pin", wrong)]);
        }

        var role = Rights.Of(person);
        var token = sessions.Begin(device.Id, person.Id, person.Name, $"{role}", null, WorkingDay);
        http.Response.Cookies.Append(Door.SessionCookie, token, Cookie(WorkingDay));
        sessions.Note("signed in", person.Name, device.Name, Door.AddressOf(http));
        var session = sessions.Find(token)!;
        return Results.Ok(new SessionAnswer(false, true, person.Name, role, Rights.All(role), null, session.EndsAt));
    }

    private static IResult SignOut(HttpContext http, SessionStore sessions)
    {
        if (Visitor.Of(http).Session is { } session)
        {
            sessions.End(session.Id);
            sessions.Note("signed out", session.Name, session.Device, Door.AddressOf(http));
        }

        http.Response.Cookies.Delete(Door.SessionCookie, Cookie(TimeSpan.Zero));
        return Results.NoContent();
    }

    private static IResult Sharing(
        SharedAddresses addresses,
        SessionStore sessions,
        PersonStore people,
        Pins pins,
        IServiceProvider services
    )
    {
        var demo = pins.WithDemoPin().ToHashSet(StringComparer.Ordinal);
        var authority = services.GetService<LocalAuthority>();
        var trust = addresses.TrustAddress;
        return Results.Ok(
            new SharingAnswer
            {
                On = addresses.Address.Length > 0,
                Address = addresses.Address,
                TrustAddress = trust,
                TrustSquare = trust.Length > 0 ? QrCode.Svg(trust) : "",
                Fingerprint = authority?.Fingerprint ?? "",
                TrustedSince = authority?.TrustedSince.ToString("yyyy-MM-dd") ?? "",
                WithDemoPin = [.. people.List().Where(p => demo.Contains(p.Id)).Select(p => p.Name)],
                TrustedUntil = authority?.TrustedUntil.ToString("yyyy-MM-dd") ?? "",
                Devices = sessions.Devices(),
                Sessions = sessions.List(),
                Tried = sessions.Tried(ShownTried),
            }
        );
    }

    private static async Task<IResult> CodeAsync(
        HttpContext http,
        PairingCodes codes,
        SharedAddresses addresses,
        JobStore jobs
    )
    {
        var (asked, refusal) = await http.Request.ReadCheckedAsync<CodeDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        if (addresses.Address.Length == 0)
        {
            return Results.Problem(
                "Draklo is open to this machine alone: start it with --share to let devices in.",
                title: "Not shared.",
                statusCode: StatusCodes.Status409Conflict
            );
        }

        if (asked.GuestOf is { } jobId && jobs.Find(jobId) is null)
        {
            return PlainProblems.Refused([new("guestOf", "There is no such job, or it was deleted.")]);
        }

        var code = codes.Make(asked.GuestOf);
        // Behind the hash: the code stays on the device and is in nobody's log of addresses.
        var address = $"{addresses.Address}/pair#{code.Code}";
        return Results.Ok(new CodeAnswer(code.Code, address, code.EndsAt.ToString("O"), QrCode.Svg(address)));
    }

    private static IResult EndSession(SessionStore sessions, string session) =>
        sessions.End(session) ? Results.NoContent() : PlainProblems.NotFound("Nobody is signed in there any more.");

    private static IResult ForgetDevice(SessionStore sessions, string device) =>
        sessions.Forget(device) ? Results.NoContent() : PlainProblems.NotFound("There is no such device any more.");

    private static CookieOptions Cookie(TimeSpan stays) =>
        new()
        {
            HttpOnly = true,
            Secure = true,
            SameSite = SameSiteMode.Strict,
            Path = "/",
            MaxAge = stays,
            IsEssential = true,
        };
}
