using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;

namespace Draklo.Web.Sharing;

/// <summary>Where devices of the crew open this server, once it listens.</summary>
internal sealed class SharedAddresses(IServer server, Hosting.HostSettings settings)
{
    /// <summary>Over this network, or else by the name that a proxy in front answers to; empty while nothing is shared.</summary>
    public string Address =>
        Of("https") is { Length: > 0 } own ? own
        : settings.Hosts is [var name, ..] ? $"https://{name}"
        : "";

    /// <summary>Where devices get what they must trust first.</summary>
    public string TrustAddress => Of("http") is { Length: > 0 } address ? $"{address}/trust" : "";

    private string Of(string scheme) =>
        settings.Share is not { } share || server.Features.Get<IServerAddressesFeature>() is not { } listening
            ? ""
            : listening
                .Addresses.Select(a => new Uri(a))
                .Where(a => a.Scheme == scheme && share.Addresses.Any(own => own.ToString() == a.Host))
                .Select(a => a.GetLeftPart(UriPartial.Authority))
                .FirstOrDefault("");
}
