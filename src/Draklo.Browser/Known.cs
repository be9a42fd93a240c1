using Draklo.Core.Carrying;

namespace Draklo.Browser;

/// <summary>What the server knows beside the plan, as it last said.</summary>
internal sealed class Known
{
    public CarriedLocker Locker { get; set; } = CarriedLocker.Nothing;
}
