using System.Runtime.CompilerServices;

namespace Draklo.Browser.Tests;

/// <summary>Servers that run for a minute or two: nothing is worked out or compiled better for a later that does not come.</summary>
internal static class ServersOfTests
{
    [ModuleInitializer]
    internal static void Begin()
    {
        Environment.SetEnvironmentVariable("DRAKLO_WARM_UP", "0");
        Environment.SetEnvironmentVariable("DOTNET_TC_CallCounting", "0");
    }
}
