using System.Net;
using Draklo.Core.Plans;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Sharing;

/// <summary>
/// Whoever comes in from the crew's network passes here: a paired device, somebody signed in on it, and a right for what is
/// asked. At this machine itself nothing is asked.
/// </summary>
public sealed class Door(RequestDelegate next, HostSettings settings)
{
    public const string DeviceCookie = "__Host-draklo-device";
    public const string SessionCookie = "__Host-draklo-session";

    /// <summary>Where somebody asks who shows no device.</summary>
    private const string Nobodys = "unknown";

    /// <summary>What a proxy says of whom it asks for.</summary>
    private const string AsksFor = "X-Forwarded-For";
    private static readonly string[] ByProxy = [AsksFor, "X-Forwarded-Host", "X-Real-IP", "Forwarded", "Via"];
    private static readonly string[] Guarded = ["api", "hubs", "openapi"];
    private static readonly TimeSpan LooksEvery = TimeSpan.FromSeconds(3);
    private static readonly TimeSpan SeenEvery = TimeSpan.FromMinutes(1);

    public Task InvokeAsync(HttpContext http, SessionStore sessions, PersonStore people, TimeProvider clock)
    {
        if (http.Features.Get<ForTrust>() is not null)
        {
            return http.Request.Path.StartsWithSegments("/trust", StringComparison.Ordinal)
                ? next(http)
                : Results.Redirect("/trust").ExecuteAsync(http);
        }

        if (IsByProxy(http))
        {
            http.Features.Set(new FromCrew());
        }

        if (http.Features.Get<FromCrew>() is null)
        {
            return next(http);
        }

        var path = http.Request.Path;
        // By where it leads, too: however an address is written, it is the endpoint that is guarded.
        var leadsTo = (http.GetEndpoint() as RouteEndpoint)?.RoutePattern.RawText?.TrimStart('/') ?? "";
        if (!IsGuarded(path.Value ?? "") && !IsGuarded(leadsTo))
        {
            return next(http);
        }

        var visitor = Who(http, sessions, people, clock);
        visitor?.Enter(http);
        Author.Device = visitor?.Device?.Id ?? Nobodys;
        Author.Name = visitor?.Session?.Name ?? "";
        return Refusal(http, visitor) is { } refusal ? refusal.ExecuteAsync(http)
            : path.StartsWithSegments("/hubs", StringComparison.OrdinalIgnoreCase) ? WatchedAsync(http, sessions)
            : next(http);
    }

    /// <summary>Whether somebody asks through a proxy, by a name given with --host: they are at this machine no more than the
    /// crew's devices are.</summary>
    private bool IsByProxy(HttpContext http) =>
        (settings.Hosts.Contains(http.Request.Host.Host, StringComparer.OrdinalIgnoreCase) && !Gate.IsOwn(http.Request))
        || ByProxy.Any(http.Request.Headers.ContainsKey);

    private static bool IsGuarded(string path) =>
        Guarded.Any(g => path.TrimStart('/').StartsWith(g, StringComparison.OrdinalIgnoreCase));

    /// <summary>What stays open for hours ends when its session does.</summary>
    private async Task WatchedAsync(HttpContext http, SessionStore sessions)
    {
        var token = http.Request.Cookies[SessionCookie] ?? "";
        using var timer = new PeriodicTimer(LooksEvery);
        var serving = next(http);
        while (await Task.WhenAny(serving, timer.WaitForNextTickAsync().AsTask()) != serving)
        {
            if (sessions.Find(token) is null)
            {
                http.Abort();
                break;
            }
        }

        await serving;
    }

    /// <summary>What an endpoint is called in the table of rights: its name, or a hub's path.</summary>
    public static string NameOf(Endpoint? endpoint, PathString path) =>
        endpoint?.Metadata.GetMetadata<IEndpointNameMetadata>()?.EndpointName
        ?? (
            path.StartsWithSegments("/hubs", StringComparison.OrdinalIgnoreCase)
                ? string.Join('/', path.Value!.Split('/').Take(3)).ToLowerInvariant()
                : ""
        );

    private static IResult? Refusal(HttpContext http, Visitor? visitor)
    {
        var right = Rights.Of(NameOf(http.GetEndpoint(), http.Request.Path));
        if (right == Right.Anybody)
        {
            return null;
        }

        if (visitor is null)
        {
            return Refused(
                401,
                "Not paired.",
                "This device is not paired with the yard: ask at the laptop for a code."
            );
        }

        if (visitor.Device is { GuestOf: not null } && right == Right.Device)
        {
            return Refused(
                403,
                "A guest's device.",
                "This device was let in to read one job's brief. To sign in on it, ask at the laptop for a code of the crew."
            );
        }

        if (right == Right.Device)
        {
            return null;
        }

        if (visitor.Session is not { } session)
        {
            return Refused(401, "Nobody is signed in.", "Sign in on this device: choose your name and give your PIN.");
        }

        if (right is null || !Rights.May(visitor.Role, right.Value))
        {
            return Refused(
                403,
                "Not yours to do.",
                $"{session.Name} is signed in as {Rights.InWords(visitor.Role)}, who does not do this: ask the lead."
            );
        }

        return session.JobId is { } only && http.GetRouteValue("id") as string != only
            ? Refused(403, "Another job.", "This guest was let in to read one job's brief, and this is another.")
            : null;
    }

    private static IResult Refused(int status, string title, string detail) =>
        Results.Problem(detail, title: title, statusCode: status);

    private static Visitor? Who(HttpContext http, SessionStore sessions, PersonStore people, TimeProvider clock)
    {
        var cookies = http.Request.Cookies;
        var device = cookies[DeviceCookie] is { Length: > 0 } known ? sessions.Device(known) : null;
        if (cookies[SessionCookie] is not { Length: > 0 } token || sessions.Find(token) is not { } session)
        {
            return device is null ? null : new(Role.Guest, null, device);
        }

        if (session.DeviceId != device?.Id)
        {
            // A session belongs to its device: shown by another it is stolen, and ends for both.
            sessions.End(session.Id);
            sessions.Note("session of another device", session.Name, device?.Name ?? "unknown", AddressOf(http));
            return device is null ? null : new(Role.Guest, null, device);
        }

        if (session.PersonId is { } who && Moved(session, people.List().FirstOrDefault(p => p.Id == who)) is { } moved)
        {
            sessions.End(session.Id);
            sessions.Note(moved, session.Name, session.Device, AddressOf(http));
            return device is null ? null : new(Role.Guest, null, device);
        }

        if (DateTimeOffset.TryParse(session.SeenAt, null, out var seen) && clock.GetUtcNow() - seen > SeenEvery)
        {
            sessions.Seen(session.Id);
        }

        return new(Enum.TryParse<Role>(session.Role, out var role) ? role : Role.Guest, session, device);
    }

    /// <summary>What of somebody changed in the crew's book since they signed in; null for nothing.</summary>
    private static string? Moved(KeptSession session, Person? person) =>
        person is null ? "no longer in the crew's book"
        : $"{Rights.Of(person)}" != session.Role ? "another role now"
        : person.Name != session.Name ? "another name now"
        : null;

    /// <summary>Where somebody asks from; through a proxy at this machine, where the proxy says they do.</summary>
    public static string AddressOf(HttpContext http)
    {
        var from = http.Connection.RemoteIpAddress;
        var asksFor = http.Request.Headers[AsksFor].ToString().Split(',').Last().Trim();
        return from is not null && IPAddress.IsLoopback(from) && IPAddress.TryParse(asksFor, out var other)
            ? $"{other}"
            : $"{from}";
    }
}
