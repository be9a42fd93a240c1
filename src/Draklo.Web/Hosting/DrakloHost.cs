using System.Net.Sockets;
using System.Reflection;
using System.Runtime.InteropServices;
using Draklo.Core.Analyses;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Analysis;
using Draklo.Web.Briefs;
using Draklo.Web.Care;
using Draklo.Web.Carrying;
using Draklo.Web.Catalogue;
using Draklo.Web.Crew;
using Draklo.Web.Days;
using Draklo.Web.Demo;
using Draklo.Web.Jobs;
using Draklo.Web.Learning;
using Draklo.Web.Locker;
using Draklo.Web.Logs;
using Draklo.Web.Outside;
using Draklo.Web.Practice;
using Draklo.Web.Pulling;
using Draklo.Web.Sharing;
using Draklo.Web.Sites;
using Draklo.Web.Together;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.FileProviders;

namespace Draklo.Web.Hosting;

/// <param name="Port">On 127.0.0.1; 0 takes any that is free.</param>
/// <param name="DataFolder">Where the one SQLite file lies.</param>
/// <param name="WithDemo">Whether a new folder is given the demo jobs.</param>
public sealed record HostSettings(int Port, string DataFolder, bool WithDemo)
{
    /// <summary>Names that this server answers to beside localhost and its address.</summary>
    public IReadOnlyList<string> Hosts { get; init; } = [];

    /// <summary>How the crew's network gets in; null for this machine only.</summary>
    public ShareSettings? Share { get; init; }

    /// <summary>Whether anybody comes in who is not at this machine itself.</summary>
    public bool LetsOthersIn => Share is not null || Hosts.Count > 0;
}

/// <summary>Puts the application together and runs it.</summary>
public static class DrakloHost
{
    public const int LargestBody = 1024 * 1024;

    private const int PortInUse = 3;
    private const string Stopped = "Draklo has stopped; everything is saved.";

    public static async Task<int> RunAsync(string[] args)
    {
        if (BuildsApiDescription)
        {
            await Build(new(0, "", WithDemo: false)).RunAsync();
            return 0;
        }

        return await CommandLine.RunAsync(
            args,
            Environment.GetEnvironmentVariable,
            ServeAsync,
            Console.Out,
            Console.Error
        );
    }

    private static async Task<int> ServeAsync(HostSettings settings)
    {
        // From here on a word to stop is heard, however early it comes.
        using var stop = new CancellationTokenSource();
        using var term = PosixSignalRegistration.Create(PosixSignal.SIGTERM, Stop);
        using var interrupt = PosixSignalRegistration.Create(PosixSignal.SIGINT, Stop);
        await using var app = Build(settings);
        using var stops = stop.Token.Register(app.Lifetime.StopApplication);
        try
        {
            await app.StartAsync(stop.Token);
        }
        catch (OperationCanceledException) when (stop.IsCancellationRequested)
        {
            Console.WriteLine(Stopped);
            return 0;
        }
        catch (Exception e) when (e is IOException or SocketException)
        {
            var why = e.Message.TrimEnd('.');
            await Console.Error.WriteLineAsync(
                settings.Share is null
                    ? $"Draklo cannot listen on port {settings.Port}: {why}. Choose another one with --port, or DRAKLO_PORT."
                    : $"Draklo cannot listen at {string.Join(", ", settings.Share.Addresses)}, ports {settings.Share.Port} and {settings.Share.TrustPort}, or at 127.0.0.1, port {settings.Port}: {why}. Choose others with --share-address, --share-port, --trust-port or --port."
            );
            return PortInUse;
        }

        Console.WriteLine(
            $"Draklo is at {app.Urls.First()}  (version {CareEndpoints.Version}, data in {Path.GetFullPath(settings.DataFolder)}; Ctrl+C stops it)"
        );
        if (settings.Share is not null)
        {
            SayWhereTheCrewComesIn(app);
        }

        if (Environment.GetEnvironmentVariable("DRAKLO_READY_FILE") is { Length: > 0 } readyFile)
        {
            // Whoever started this waits for it; what it holds does not matter.
            await File.WriteAllTextAsync(readyFile, app.Urls.First());
        }

        if (Environment.GetEnvironmentVariable("DRAKLO_WARM_UP") != "0")
        {
            WarmUp.Begin();
        }

        await app.WaitForShutdownAsync(stop.Token);
        Console.WriteLine(Stopped);
        return 0;

        void Stop(PosixSignalContext signal)
        {
            signal.Cancel = true;
            stop.Cancel();
        }
    }

    private static void SayWhereTheCrewComesIn(WebApplication app)
    {
        var (addresses, authority) = (
            app.Services.GetRequiredService<SharedAddresses>(),
            app.Services.GetRequiredService<LocalAuthority>()
        );
        Console.WriteLine(
            $"""

            The crew opens {addresses.Address}
            Each device trusts this yard once, first: {addresses.TrustAddress}
            {QrCode.Blocks(addresses.TrustAddress)}
            The certificate there has the fingerprint
              {authority.Fingerprint}
            {(
                authority.TakesAnothersPlace
                    ? "It was made anew just now: every device trusts it once more."
                    : "It holds for the networks that this machine is in, and for nothing else."
            )}
            Codes to let devices in: at this machine, on the page Sharing ({app.Urls.First()}/sharing).
            Nobody comes in without one. Phones and this machine must be on the same network.
            """
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
            .UseKestrelHttpsConfiguration()
            .ConfigureKestrel(kestrel =>
            {
                kestrel.ListenLocalhostOnly(settings.Port);
                kestrel.ListenToCrew(settings.Share);
                kestrel.Limits.MaxRequestBodySize = LargestBody;
                kestrel.AddServerHeader = false;
            });
        builder.Services.AddSingleton(settings);
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
        builder.Services.AddOutputCache();
        builder.Services.AddOutside();
        builder.Services.AddCompression();
        builder.Services.AddProblemDetails();
        builder.Services.AddExceptionHandler<PlainProblems>();
        if (BuildsApiDescription)
        {
            builder.Services.AddSingleton(NoStore);
        }
        else
        {
            var folder = DataFolder.Claim(settings.DataFolder);
            try
            {
                builder.Services.AddSingleton(Open(settings));
            }
            catch
            {
                folder.Dispose();
                throw;
            }

            // Made by the container, so that it lets go of the folder in the end.
            builder.Services.AddSingleton(_ => folder);
            builder.Services.AddHostedService(services => services.GetRequiredService<Upkeep>());
            builder.Services.AddLogAndMetrics(settings.DataFolder);
            if (settings.Share is { } share)
            {
                builder.Services.AddSingleton(_ => new LocalAuthority(
                    settings.DataFolder,
                    share.Addresses,
                    TimeProvider.System
                ));
            }
        }

        builder.Services.AddKept(settings.DataFolder);
        builder.Services.AddSingleton<HeavyWork>();
        builder.Services.AddHealthChecks().AddCheck<DataHealth>("data", tags: ["ready"]);
        var app = builder.Build();
        if (!BuildsApiDescription)
        {
            app.Services.GetRequiredService<DataFolder>();
        }

        app.UseResponseCompression();
        app.UseMiddleware<Gate>();
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.UseRouting();
        app.UseMiddleware<Door>();
        app.UseOutputCache();
        // It takes seconds to write and is the same until another build runs.
        app.MapOpenApi("/openapi/{documentName}.json").CacheOutput(policy => policy.Expire(TimeSpan.FromDays(1)));
        app.MapQuestions();
        app.MapHub<FinderHub>(FinderHub.Path);
        app.MapCatalogue();
        app.MapJobs();
        app.MapRevisions();
        app.MapArchives();
        app.MapLocker();
        app.MapKept();
        app.MapCrew();
        app.MapBriefs();
        app.MapDays();
        app.MapPulling();
        app.MapLogs();
        app.MapYears();
        app.MapLearning();
        app.MapPractice();
        app.MapSites();
        app.MapOutside();
        app.MapCare();
        app.MapCarrying();
        app.MapSharing();
        app.MapHub<JobHub>(JobHub.Path);
        if (settings.Share is not null)
        {
            app.MapTrust();
        }

        app.MapHealthChecks("/health/live", new() { Predicate = _ => false });
        app.MapHealthChecks("/health/ready", new() { Predicate = check => check.Tags.Contains("ready") });
        app.MapScreens();
        return app;
    }

    private static Database NoStore(IServiceProvider services) =>
        throw new InvalidOperationException("No store while the API is described.");

    private static Database Open(HostSettings settings) =>
        Database.Open(
            settings.DataFolder,
            fresh =>
            {
                if (settings.WithDemo)
                {
                    DemoJobs.AddTo(new(fresh, TimeProvider.System), TimeProvider.System);
                    DemoLocker.AddTo(
                        new(fresh, TimeProvider.System),
                        new(fresh, TimeProvider.System),
                        new(fresh, TimeProvider.System),
                        new(fresh, TimeProvider.System),
                        new(fresh, TimeProvider.System)
                    );
                    DemoBriefs.AddTo(fresh, settings.DataFolder, TimeProvider.System);
                    new DemoYear(fresh, settings.DataFolder, TimeProvider.System).Add();
                }
            },
            older => new Backups(older, settings.DataFolder, TimeProvider.System).Make(BackupReason.Upgrade)
        );

    private static void AddKept(this IServiceCollection services, string folder)
    {
        services.AddSingleton(TimeProvider.System);
        services.AddSingleton<JobStore>();
        services.AddSingleton<JobIndex>();
        services.AddSingleton<LockerStore>();
        services.AddSingleton<JobList>();
        services.AddSingleton<PolicyStore>();
        services.AddSingleton<YardStore>();
        services.AddSingleton<TackleStore>();
        services.AddSingleton<SpeciesStore>();
        services.AddSingleton<PersonStore>();
        services.AddSingleton<TemplateStore>();
        services.AddSingleton<KitStore>();
        services.AddSingleton<SetStore>();
        services.AddSingleton<PinStore>();
        services.AddSingleton<BriefStore>();
        services.AddSingleton(s => new Pins(
            s.GetRequiredService<PinStore>(),
            s.GetRequiredService<TimeProvider>(),
            s.GetRequiredService<HostSettings>().LetsOthersIn
        ));
        services.AddSingleton<BriefDesk>();
        services.AddSingleton<PullStore>();
        services.AddSingleton<PullDesk>();
        services.AddSingleton<LiveDays>();
        services.AddSingleton<LogStore>();
        services.AddSingleton<LogDesk>();
        services.AddSingleton<TrialStore>();
        services.AddSingleton<WishStore>();
        services.AddSingleton<LearningDesk>();
        services.AddSingleton<PracticeStore>();
        services.AddSingleton(_ => new PictureFiles(folder));
        services.AddSingleton<Rooms>();
        services.AddSingleton<SessionStore>();
        services.AddSingleton<PairingCodes>();
        services.AddSingleton<SharedAddresses>();
        services.AddSingleton<ArchivesTaken>();
        services.AddSingleton<JobMarks>();
        services.AddSingleton(_ => new PinSeal(folder));
        services.AddSingleton<CarryDesk>();
        services.AddSingleton<ServerAtHand>();
        services.AddSingleton<History>();
        services.AddSingleton<Damage>();
        services.AddSingleton(s => new Backups(s.GetRequiredService<Database>(), folder, TimeProvider.System));
        services.AddSingleton<Upkeep>();
    }

    /// <summary>Whether this run only describes the API for the front end's types, at build.</summary>
    private static bool BuildsApiDescription => Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    private static void ListenLocalhostOnly(
        this Microsoft.AspNetCore.Server.Kestrel.Core.KestrelServerOptions kestrel,
        int port
    ) => kestrel.Listen(System.Net.IPAddress.Loopback, port);

    private static void ListenToCrew(
        this Microsoft.AspNetCore.Server.Kestrel.Core.KestrelServerOptions kestrel,
        ShareSettings? share
    )
    {
        foreach (var address in share?.Addresses ?? [])
        {
            kestrel.Listen(
                address,
                share!.Port,
                listening =>
                {
                    listening.Mark<FromCrew>();
                    listening.UseHttps(https =>
                        https.ServerCertificateSelector = (_, _) =>
                            kestrel.ApplicationServices.GetRequiredService<LocalAuthority>().Server
                    );
                }
            );
            kestrel.Listen(address, share.TrustPort, listening => listening.Mark<ForTrust>());
        }
    }

    /// <summary>Says of every connection which way it came in.</summary>
    private static void Mark<T>(this Microsoft.AspNetCore.Server.Kestrel.Core.ListenOptions listening)
        where T : class, new() =>
        listening.Use(next =>
            connection =>
            {
                connection.Features.Set(new T());
                return next(connection);
            }
        );

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
        app.Use(Compression.Built(root));
        app.UseStaticFiles(
            new StaticFileOptions
            {
                FileProvider = files,
                ContentTypeProvider = Compression.ContentTypes,
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
