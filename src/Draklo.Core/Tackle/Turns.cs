using Draklo.Core.Catalogue;

namespace Draklo.Core.Tackle;

/// <summary>The share of tension that passes at the turns of a system, over 0 to 1.</summary>
/// <param name="Contact">At a block, ring or carabiner.</param>
/// <param name="RopeLoop">Where rope runs through a loop of rope.</param>
/// <param name="Along">Where in their spread turns of another kind lie: −1 low, 0 usual, 1 high.</param>
public readonly record struct Turns(double Contact, double RopeLoop, double Along = 0)
{
    internal static readonly ContactKind Loop = Reference.Contacts["rope-on-rope"];

    public static Turns Usual(ContactKind contact) => Of(contact, 0);

    public static Turns Best(ContactKind contact) => Of(contact, 1);

    /// <summary>All turns at one place of their spread.</summary>
    /// <param name="along">−1 low, 0 usual, 1 high.</param>
    public static Turns Of(ContactKind contact, double along) => new(At(contact, along), At(Loop, along), along);

    /// <summary>What passes at a turn of a kind of its own.</summary>
    public double At(ContactKind kind) => At(kind, Along);

    private static double At(ContactKind kind, double along) =>
        kind.Nominal + (along * (along >= 0 ? kind.High - kind.Nominal : kind.Nominal - kind.Low));
}
