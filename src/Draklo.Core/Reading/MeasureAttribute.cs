namespace Draklo.Core.Reading;

/// <summary>What the number of a member measures: field, handle, refusal, merge and schema read it here.</summary>
/// <param name="quantity">One of the quantities of units.json, as in "length" (metres, written in metres or feet),
/// "thickness" (metres, written in centimetres or inches) or "rope" (metres, written in millimetres or inches).</param>
[AttributeUsage(AttributeTargets.Property)]
public sealed class MeasureAttribute(string quantity) : Attribute
{
    /// <summary>As in units.json.</summary>
    public string Quantity { get; } = quantity;

    /// <summary>How far one press of a key moves it, in the unit of the screen; 0 for the usual step of its quantity.</summary>
    public double Step { get; init; }

    /// <summary>Whether somebody on site can measure it, so that its field says where the figure comes from.</summary>
    public bool CanBeMeasured { get; init; }

    /// <summary>What its empty field says; null where it must be given.</summary>
    public string? Empty { get; init; }
}

/// <summary>The station of the sheet that decides a member and all that lies in it.</summary>
/// <param name="key">As in the sheet's address.</param>
[AttributeUsage(AttributeTargets.Property)]
public sealed class StationAttribute(string key) : Attribute
{
    /// <summary>As in the sheet's address.</summary>
    public string Key { get; } = key;
}
