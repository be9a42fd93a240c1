using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>axe-core on the page that is open.</summary>
internal static class Axe
{
    private static readonly string Script = Read();

    /// <summary>Fails with what axe-core complains of.</summary>
    public static void NoViolations(this Screen screen)
    {
        if (screen.Run("return 'axe' in window") is false)
        {
            screen.Run(Script);
        }

        var found = (string)
            screen.RunAsync(
                """
                const done = arguments[arguments.length - 1];
                axe.run(document, { resultTypes: ['violations'], preload: false, iframes: false }).then(
                  r => done(r.violations.map(v => v.id + ': ' + v.help + ' — ' + v.nodes.slice(0, 3).map(n => n.html + ' ' + n.failureSummary).join(' | ')).join('\n')),
                  e => done('axe failed: ' + e));
                """
            )!;
        Assert.True(found.Length == 0, found);
    }

    private static string Read()
    {
        using var stream = typeof(Axe).Assembly.GetManifestResourceStream("axe.min.js")!;
        return new StreamReader(stream).ReadToEnd();
    }
}
