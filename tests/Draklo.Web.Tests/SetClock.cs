namespace Draklo.Web.Tests;

/// <summary>A clock that stands where a test sets it.</summary>
internal sealed class SetClock : TimeProvider
{
    public DateTimeOffset Now { get; set; } = new(2026, 12, 1, 8, 0, 0, TimeSpan.Zero);

    public override DateTimeOffset GetUtcNow() => Now;
}
