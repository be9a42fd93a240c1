using System.Reflection;
using Draklo.Core.Analyses;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Analysis;
using Draklo.Web.Catalogue;
using Draklo.Web.Demo;
using Draklo.Web.Jobs;
using Draklo.Web.Locker;
using Draklo.Web.Outside;
using Draklo.Web.Sites;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.FileProviders;
using Serilog;
using Serilog.Events;

namespace Draklo.Web.Hosting;

/// <param name="Port">On 127.0.0.1; 0 takes any that is free.</param>
/// <param name="DataFolder">Where the one SQLite file lies.</param>
/// <param name="WithDemo">Whether a new folder is given the demo jobs.</param>
public sealed record HostSettings(int Port, string DataFolder, bool WithDemo);

/// <summary>Puts the application together and runs it.</summary>
public static class DrakloHost
{
    public const int LargestBody = 1024 * 1024;

    public static async Task<int> RunAsync(string[] args)
    {
        if (ReadSettings(args, Environment.GetEnvironmentVariable, out var complaint) is not { } settings)
        {
            await Console.Error.WriteLineAsync(complaint);
            return 2;
        }

        var app = Build(settings);
        if (BuildsApiDescription)
        {
            await app.RunAsync();
            return 0;
        }

        try
        {
            await app.StartAsync();
        }
        catch (IOException e)
        {
            await Console.Error.WriteLineAsync(
                $"Draklo cannot listen on port {settings.Port}: {e.Message} Set DRAKLO_PORT to another one."
            );
            return 1;
        }

        Console.WriteLine(
            $"Draklo is at {app.Urls.First()}  (data in {Path.GetFullPath(settings.DataFolder)}; Ctrl+C stops it)"
        );
        WarmUp.Begin();
        await app.WaitForShutdownAsync();
        Console.WriteLine("Draklo has stopped; everything is saved.");
        return 0;
    }

    /// <summary>Settings from the command line and the environment.</summary>
    /// <param name="complaint">What is wrong with them when null is returned.</param>
    public static HostSettings? ReadSettings(string[] args, Func<string, string?> environment, out string complaint)
    {
        var unknown = args.FirstOrDefault(a => a != "--empty");
        var port = environment("DRAKLO_PORT") is { Length: > 0 } text
            ? (ushort.TryParse(text, out var number) ? number : -1)
            : 5080;
        complaint =
            unknown is not null && !BuildsApiDescription
                ? $"Draklo does not know “{unknown}”; it takes --empty, to begin without the demo jobs."
            : port < 0 ? $"DRAKLO_PORT is “{environment("DRAKLO_PORT")}”; it must be a port number from 0 to 65535."
            : "";
        return complaint.Length > 0
            ? null
            : new(
                port,
                environment("DRAKLO_DATA") is { Length: > 0 } folder ? folder : "data",
                !args.Contains("--empty", StringComparer.Ordinal)
            );
    }

    /// <summary>The application, ready to start.</summary>
    public static WebApplication Build(HostSettings settings)
    {
        var builder = WebApplication.CreateSlimBuilder(
            new WebApplicationOptions { ContentRootPath = AppContext.BaseDirectory }
        );
        builder
            .WebHost.UseKestrelCore()
            .ConfigureKestrel(kestrel =>
            {
                kestrel.ListenLocalhostOnly(settings.Port);
                kestrel.Limits.MaxRequestBodySize = LargestBody;
                kestrel.AddServerHeader = false;
            });
        builder.Services.AddSerilog(log =>
            log.MinimumLevel.Is(LogEventLevel.Warning)
                .WriteTo.Console(
                    outputTemplate: "{Timestamp:HH:mm:ss} {Level:u3} {Message:lj}{NewLine}{Exception}",
                    standardErrorFromLevel: LogEventLevel.Warning
                )
        );
        builder.Services.Configure<JsonOptions>(json =>
        {
            json.SerializerOptions.NumberHandling = DocumentReader.Options.NumberHandling;
            json.SerializerOptions.DefaultIgnoreCondition = DocumentReader.Options.DefaultIgnoreCondition;
            json.SerializerOptions.RespectNullableAnnotations = true;
            json.SerializerOptions.Encoder = DocumentReader.Options.Encoder;
            foreach (var converter in DocumentReader.Options.Converters)
            {
                json.SerializerOptions.Converters.Add(converter);
            }
        });
        builder.Services.AddOpenApi(ApiDescription.Configure);
        builder.Services.AddOutside();
        builder.Services.AddProblemDetails();
        builder.Services.AddExceptionHandler<PlainProblems>();
        if (!BuildsApiDescription)
        {
            var database = Database.Open(settings.DataFolder, out var isNew);
            var store = new JobStore(database, TimeProvider.System);
            var locker = new LockerStore(database, TimeProvider.System);
            var policies = new PolicyStore(database, TimeProvider.System);
            var tackles = new TackleStore(database, TimeProvider.System);
            if (isNew && settings.WithDemo)
            {
                DemoJobs.AddTo(store, TimeProvider.System);
                DemoLocker.AddTo(locker, policies, tackles);
            }

            builder.Services.AddSingleton(store);
            builder.Services.AddSingleton(locker);
            builder.Services.AddSingleton<JobList>();
            builder.Services.AddSingleton(policies);
            builder.Services.AddSingleton(tackles);
            builder.Services.AddSingleton(new SpeciesStore(database, TimeProvider.System));
        }
        else
        {
            builder.Services.AddSingleton<JobStore>(NoStore<JobStore>);
            builder.Services.AddSingleton<JobList>(NoStore<JobList>);
            builder.Services.AddSingleton<LockerStore>(NoStore<LockerStore>);
            builder.Services.AddSingleton<PolicyStore>(NoStore<PolicyStore>);
            builder.Services.AddSingleton<TackleStore>(NoStore<TackleStore>);
            builder.Services.AddSingleton<SpeciesStore>(NoStore<SpeciesStore>);
        }

        var app = builder.Build();
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.MapOpenApi("/openapi/{documentName}.json");
        app.MapAnalysis();
        app.MapCatalogue();
        app.MapJobs();
        app.MapLocker();
        app.MapKept();
        app.MapSites();
        app.MapOutside();
        app.MapScreens();
        return app;
    }

    private static T NoStore<T>(IServiceProvider services) =>
        throw new InvalidOperationException("No store while the API is described.");

    /// <summary>Whether this run only describes the API for the front end's types, at build.</summary>
    private static bool BuildsApiDescription => Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    private static void ListenLocalhostOnly(
        this Microsoft.AspNetCore.Server.Kestrel.Core.KestrelServerOptions kestrel,
        int port
    ) => kestrel.Listen(System.Net.IPAddress.Loopback, port);

    /// <summary>Serves the built front end; any path that is not a file or an API opens the application.</summary>
    private static void MapScreens(this WebApplication app)
    {
        var root = Path.Combine(AppContext.BaseDirectory, "wwwroot");
        if (!Directory.Exists(root))
        {
            return;
        }

        var files = new PhysicalFileProvider(root);
        app.UseDefaultFiles(new DefaultFilesOptions { FileProvider = files });
        app.UseStaticFiles(
            new StaticFileOptions
            {
                FileProvider = files,
                OnPrepareResponse = static response =>
                    response.Context.Response.Headers.CacheControl = response.Context.Request.Path.StartsWithSegments(
                        "/assets",
                        StringComparison.Ordinal
                    )
                        ? "public, max-age=31536000, immutable"
                        : "no-cache",
            }
        );
        app.Map("/api/{**rest}", () => Results.Problem("There is nothing at this address.", statusCode: 404))
            .ExcludeFromDescription();
        app.MapFallbackToFile("index.html", new StaticFileOptions { FileProvider = files });
    }
}
