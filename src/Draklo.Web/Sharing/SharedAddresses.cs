using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;

namespace Draklo.Web.Sharing;

/// <summary>Where devices of the crew open this server, once it listens.</summary>
internal sealed class SharedAddresses(IServer server, Hosting.HostSettings settings)
{
    /// <summary>Empty while nothing is shared.</summary>
    public string Address => Of("https");

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
