using Draklo.Core.Units;
using Draklo.Store;

namespace Draklo.Web.Sharing;

/// <summary>Who asks: somebody at this machine, or somebody of the crew who signed in from a device.</summary>
/// <param name="Session">Null at this machine itself.</param>
internal sealed record Visitor(Role Role, KeptSession? Session, PairedDevice? Device)
{
    private const string Item = "draklo.visitor";

    public static Visitor AtThisMachine { get; } = new(Role.Lead, null, null);

    public static Visitor Of(HttpContext http) => http.Items[Item] as Visitor ?? AtThisMachine;

    public void Enter(HttpContext http) => http.Items[Item] = this;

    /// <summary>Somebody who signed in speaks for themselves; at this machine people say who they are.</summary>
    /// <param name="path">The member that names somebody.</param>
    public Problem? NotAs(string path, string name) =>
        Session is null || Session.Name == name.Trim()
            ? null
            : new(
                path,
                $"You are signed in as {Session.Name}: say it as {Session.Name}, or let {name.Trim()} sign in."
            );
}
