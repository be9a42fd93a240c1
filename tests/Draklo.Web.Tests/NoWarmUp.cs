using System.Runtime.CompilerServices;

namespace Draklo.Web.Tests;

/// <summary>Several servers share two processors: sums that one runs beforehand would only be in the way.</summary>
internal static class NoWarmUp
{
    [ModuleInitializer]
    internal static void Begin() => Environment.SetEnvironmentVariable("DRAKLO_WARM_UP", "0");
}
