namespace Draklo.Core.Logs;

/// <summary>Which readings are asked again, because kilograms may have been written for kilonewtons.</summary>
/// <remarks>Method M23: less than half or more than twice what was predicted.</remarks>
public static class OddReading
{
    public const double Least = 0.5;
    public const double Most = 2;

    /// <param name="read">N, over 0.</param>
    /// <param name="predicted">N, over 0.</param>
    public static bool IsUsual(double read, double predicted) => read >= Least * predicted && read <= Most * predicted;
}
