namespace Draklo.Core.Units;

/// <summary>What a figure of the load path is measured in.</summary>
public enum Dimension
{
    /// <summary>Newtons.</summary>
    Force,

    /// <summary>Newton metres.</summary>
    Moment,

    /// <summary>Pascals.</summary>
    Stress,
}

/// <summary>A figure with what it is measured in: a load may be a force, a moment or a stress.</summary>
/// <param name="Value">In newtons, newton metres or pascals.</param>
public readonly record struct Quantity(double Value, Dimension Dimension)
{
    /// <summary>The unit as <see cref="Figures.With"/> knows it.</summary>
    public string Unit =>
        Dimension switch
        {
            Dimension.Force => "N",
            Dimension.Moment => "Nm",
            _ => "MPa",
        };
}
