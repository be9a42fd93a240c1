using Draklo.Core.Carrying;
using Draklo.Core.Days;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Questions;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>What this device was told beside the plan, as the server last said.</summary>
/// <param name="ClockOffset">Of this device's clock from UTC.</param>
internal sealed record AtHand(CarriedLocker Locker, TimeSpan ClockOffset) : IAtHand
{
    /// <inheritdoc/>
    public Yard Yard(UnitSystem units) => Locker.Yard(units);

    /// <summary>By the forecast that was taken along; a day beyond it has none.</summary>
    public DaySetting SettingOf(Plan plan, DateOnly? day)
    {
        var weather = Locker.Days.FirstOrDefault(d => d.On == day);
        var offset = weather is null ? ClockOffset : TimeSpan.FromMinutes(weather.OffsetMin);
        return DaySetting.Of(plan, day, offset, (weather?.Gusts ?? []).Select(g => (g.Hour, g.GustMps)));
    }
}
