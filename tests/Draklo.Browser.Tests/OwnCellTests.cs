using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;
using Draklo.Core.Pulling;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>A load cell of the device's own, simulated down to its bytes.</summary>
public sealed class OwnCellTests(Stage stage) : IClassFixture<Stage>
{
    /// <summary>A Bluetooth device that sends what it is given, twenty times a second.</summary>
    private const string Bluetooth = """
        const packets = JSON.parse(arguments[0]).map(p => Uint8Array.from(atob(p), c => c.charCodeAt(0)));
        const reading = new EventTarget();
        let at = 0;
        reading.startNotifications = async () => {
          setInterval(() => {
            reading.value = new DataView(packets[at++ % packets.length].buffer);
            reading.dispatchEvent(new Event('characteristicvaluechanged'));
          }, 50);
        };
        const device = new EventTarget();
        device.name = 'Yard cell 3';
        device.gatt = { connect: async () => ({ getPrimaryService: async () => ({ getCharacteristic: async () => reading }) }), disconnect: () => {} };
        window.device = device;
        window.lose = () => device.dispatchEvent(new Event('gattserverdisconnected'));
        """;

    /// <summary>The same over a cable.</summary>
    private const string Serial = """
        const lines = JSON.parse(arguments[0]);
        let stop;
        const port = new EventTarget();
        port.open = async () => {
          port.readable = new ReadableStream({ start(c) {
            let at = 0;
            const timer = setInterval(() => c.enqueue(new TextEncoder().encode(lines[at++ % lines.length] + '\r\n')), 50);
            stop = () => { clearInterval(timer); };
          }, cancel() { stop(); } });
        };
        port.close = async () => {};
        window.port = port;
        """;

    /// <summary>A browser that has both ways, which a window without a screen has not.</summary>
    private const string Ways = """
        Object.defineProperty(navigator, 'bluetooth', { configurable: true, value: { requestDevice: async () => window.device } });
        Object.defineProperty(navigator, 'serial', { configurable: true, value: { requestPort: async () => window.port } });
        """;

    private readonly Screen screen = stage.Begin();

    private static string Packets(uint session) =>
        JsonSerializer.Serialize(Frames(session).Select(f => Convert.ToBase64String(CellProtocol.Packet(f))));

    private static IEnumerable<CellFrame> Frames(uint session) =>
        Enumerable.Range(0, 2000).Select(i => new CellFrame(session, (uint)i, 900 + (6 * Math.Sin(i))));

    [Fact]
    public void By_bluetooth_its_readings_are_shown_and_kept_with_the_day()
    {
        var id = OpenDay();
        screen.Run(Bluetooth, Packets(0x5A3C00F1));
        screen.Press("Cell by Bluetooth");
        screen.Until(() => Reads() is > 0.85 and < 0.95, "the cell to read");
        Assert.Contains("Yard cell 3, kept with the job", screen.Text("main"), StringComparison.Ordinal);
        screen.Press("Keep this reading");
        screen.Until(
            () => screen.Text("main").Contains("What was kept: 4 entries", StringComparison.Ordinal),
            "the reading to be kept"
        );
        // They go to the job in parcels.
        JsonArray trace = [];
        screen.Until(
            () =>
                (
                    trace = stage.Client.GetFromJsonAsync<JsonArray>($"/api/jobs/{id}/pulling/trace?spans=20").Result!
                ).Count == 1,
            "the readings to be kept"
        );
        Assert.Equal("main", (string)trace.Single()!["lineId"]!);
        screen.Run("window.lose()");
        screen.Until(
            () => screen.Text("main").Contains("The load cell is gone", StringComparison.Ordinal),
            "word that it is gone"
        );
    }

    [Fact]
    public void By_cable_it_is_read_too_and_what_is_no_reading_is_said()
    {
        OpenDay();
        screen.Run(Serial, JsonSerializer.Serialize(Frames(0x5A3C00F1).Select(CellProtocol.Line)));
        screen.Press("Cell by cable");
        screen.Until(() => Reads() is > 0.85 and < 0.95, "the cell to read");
        screen.Press("Leave this cell");
        screen.Until(() => screen.Count("[data-at]") == 0, "the cell to be left");
        screen.Run(Serial, """["+912.4 N", "912.4"]""");
        screen.Press("Cell by cable");
        screen.Until(
            () => screen.Text("main").Contains("something else than a Draklo load cell", StringComparison.Ordinal),
            "word that this is no cell"
        );
    }

    [Fact]
    public void Out_of_reach_its_readings_wait_on_the_device_and_keep_their_times()
    {
        var id = OpenDay();
        screen.TakeAlong();
        screen.Open($"/jobs/{id}/day");
        screen.Until(() => screen.Text("[aria-current=step]") == "bed test", "the day as it stood");
        stage.App.Kill();
        try
        {
            screen.Run(Bluetooth, Packets(0x77));
            screen.Press("Cell by Bluetooth");
            screen.Until(() => Reads() is > 0.85 and < 0.95, "the cell to read without the server");
            screen.Until(() => screen.Count("[data-reach='away']") == 1, "word that Draklo is offline");
            screen.Until(() => screen.OnShelves("outbox") > 0, "readings to wait");
        }
        finally
        {
            stage.App.Start();
        }

        screen.Until(() => screen.Count("[data-reach]") == 0, "Draklo to be in reach again");
        screen.Press("Leave this cell");
        List<DateTimeOffset> times = [];
        screen.Until(
            () =>
            {
                times = TimesOf(stage.Client.GetStringAsync($"/api/jobs/{id}/pulling/trace.csv").Result);
                return times.Count >= 40;
            },
            "the readings to come home"
        );
        // Twenty a second, as they were read, not all at once as they came.
        Assert.InRange((times.Max() - times.Min()).TotalSeconds, 1.5, 120);
    }

    private static List<DateTimeOffset> TimesOf(string trace) =>
        [
            .. trace
                .Split('\n')
                .Where(l => l.Contains(",cell,", StringComparison.Ordinal))
                .Select(l => DateTimeOffset.Parse(l.Split(',')[0])),
        ];

    private string OpenDay()
    {
        var id = stage.Issued("Birch");
        screen.OnEachPage(Ways);
        screen.Open($"/jobs/{id}/day");
        screen.Find(By.CssSelector("[data-answer]"));
        screen.Press("Runa");
        GoOn("slack out");
        screen.Click("[role=group][aria-label='Legs not crossed, stopper tied'] button:nth-of-type(1)");
        GoOn("bed test");
        return id;
    }

    private void GoOn(string step)
    {
        screen.Until(() => screen.Attribute("[data-answer]", "data-answer") == "goOn", "it to be gone on");
        screen.Press($"Go on: {step}");
        screen.Until(() => screen.Text("[aria-current=step]") == step, $"the step {step}");
    }

    private double Reads() =>
        double.TryParse(
            screen.Text("[data-big-reading]"),
            System.Globalization.CultureInfo.InvariantCulture,
            out var kn
        )
            ? kn
            : 0;
}
