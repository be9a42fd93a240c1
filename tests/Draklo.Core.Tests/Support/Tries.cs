using System.Runtime.CompilerServices;
using CsCheck;

namespace Draklo.Core.Tests;

/// <summary>How many cases a random law is tried on: some each time, all of them with ./check --long.</summary>
/// <remarks>The cases are others at every run; a law that fails names the seed that brings its case back.</remarks>
internal static class Tries
{
    private const int Share = 10;
    private const int AtLeast = 20;
    private const int LongUnnamed = 2000;

    private static readonly bool IsLong = Environment.GetEnvironmentVariable("DRAKLO_LONG") == "1";

    /// <summary>Of so many, a tenth but no fewer than twenty; all of them in a long run.</summary>
    public static int Of(int all) => IsLong ? all : Math.Min(all, Math.Max(AtLeast, all / Share));

    /// <summary>Laws that name no number of cases.</summary>
    [ModuleInitializer]
    internal static void Begin()
    {
        if (IsLong)
        {
            Check.Iter = LongUnnamed;
        }
    }
}
