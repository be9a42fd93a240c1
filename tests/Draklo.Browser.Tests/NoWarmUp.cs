using System.Runtime.CompilerServices;

namespace Draklo.Browser.Tests;

/// <summary>Two servers and two browsers share two processors: sums that a server runs beforehand would only be in the way.</summary>
internal static class NoWarmUp
{
    [ModuleInitializer]
    internal static void Begin() => Environment.SetEnvironmentVariable("DRAKLO_WARM_UP", "0");
}
