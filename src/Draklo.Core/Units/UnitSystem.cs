namespace Draklo.Core.Units;

/// <summary>The units in which sentences and workings are written. Sums are always made in SI.</summary>
public enum UnitSystem
{
    Metric,
    Us,
}
