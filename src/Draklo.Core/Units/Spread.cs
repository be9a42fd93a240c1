namespace Draklo.Core.Units;

/// <summary>A figure with how far it may be off.</summary>
public readonly record struct Spread(double Low, double Nominal, double High)
{
    public static Spread About(double nominal, double off) =>
        new(nominal - Math.Abs(off), nominal, nominal + Math.Abs(off));
}
