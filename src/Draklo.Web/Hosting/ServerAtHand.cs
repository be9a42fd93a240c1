using Draklo.Core.Carrying;
using Draklo.Core.Days;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Questions;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Carrying;
using Draklo.Web.Outside;

namespace Draklo.Web.Hosting;

/// <summary>What the core's questions need beside their document, as it stands at the server just now.</summary>
internal sealed class ServerAtHand(YardStore yard, CarryDesk desk, IForecast forecast, TimeProvider clock) : IAtHand
{
    /// <inheritdoc/>
    public CarriedLocker Locker => desk.Locker();

    /// <inheritdoc/>
    public TimeSpan ClockOffset => clock.GetLocalNow().Offset;

    /// <inheritdoc/>
    public Yard Yard(UnitSystem units) => yard.Of(units);

    /// <inheritdoc/>
    public DaySetting SettingOf(Plan plan, DateOnly? day) =>
        day is { } on
            ? DaySetting.Of(
                plan,
                on,
                clock.LocalTimeZone.GetUtcOffset(on.ToDateTime(new TimeOnly(12, 0))),
                forecast.Of(on).Select(h => (h.Hour, h.GustMps))
            )
            : DaySetting.Of(plan, null, default, []);
}
