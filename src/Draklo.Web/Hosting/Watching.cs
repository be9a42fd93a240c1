using Draklo.Store;
using OpenTelemetry.Metrics;
using Serilog;
using Serilog.Events;
using Serilog.Sinks.File;

namespace Draklo.Web.Hosting;

/// <summary>The log in the data folder, and metrics for whoever collects them.</summary>
internal static class Watching
{
    private const int KeptFiles = 14;
    private const long LargestFile = 5 * 1024 * 1024;

    /// <remarks>
    /// The log names methods, paths and faults; no names of people or places, no addresses and no bodies. Metrics leave the
    /// machine only when OTEL_EXPORTER_OTLP_ENDPOINT says where to.
    /// </remarks>
    public static void AddLogAndMetrics(this IServiceCollection services, string folder)
    {
        DataFolder.MakeOwn(Path.Combine(folder, "log"));
        services.AddSerilog(log =>
            log.MinimumLevel.Is(LogEventLevel.Information)
                .MinimumLevel.Override("Microsoft", LogEventLevel.Warning)
                .MinimumLevel.Override("System", LogEventLevel.Warning)
                // A start that fails is said in one sentence instead.
                .MinimumLevel.Override("Microsoft.Extensions.Hosting.Internal.Host", LogEventLevel.Fatal)
                // Said in plain words where it matters; its own entries hold what was sent.
                .MinimumLevel.Override("Microsoft.AspNetCore.SignalR", LogEventLevel.Error)
                .WriteTo.Console(
                    outputTemplate: "{Timestamp:HH:mm:ss} {Level:u3} {Message:lj}{NewLine}{Exception}",
                    restrictedToMinimumLevel: LogEventLevel.Warning,
                    standardErrorFromLevel: LogEventLevel.Warning
                )
                .WriteTo.File(
                    Path.Combine(folder, "log", "draklo-.log"),
                    outputTemplate: "{Timestamp:yyyy-MM-dd HH:mm:ss.fff zzz} {Level:u3} {Message:lj}{NewLine}{Exception}",
                    rollingInterval: RollingInterval.Day,
                    rollOnFileSizeLimit: true,
                    fileSizeLimitBytes: LargestFile,
                    retainedFileCountLimit: KeptFiles,
                    hooks: new OwnFiles(),
                    formatProvider: System.Globalization.CultureInfo.InvariantCulture
                )
        );
        if (Environment.GetEnvironmentVariable("OTEL_EXPORTER_OTLP_ENDPOINT") is { Length: > 0 })
        {
            services
                .AddOpenTelemetry()
                .WithMetrics(metrics =>
                    metrics.AddAspNetCoreInstrumentation().AddRuntimeInstrumentation().AddOtlpExporter()
                );
        }
    }

    private sealed class OwnFiles : FileLifecycleHooks
    {
        public override Stream OnFileOpened(string path, Stream underlyingStream, System.Text.Encoding encoding)
        {
            DataFolder.MakeOwnFile(path);
            return underlyingStream;
        }
    }
}
