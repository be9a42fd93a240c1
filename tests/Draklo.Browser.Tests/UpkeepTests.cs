using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>Backups, damaged rows and history as a lead uses them.</summary>
public sealed class UpkeepTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void A_backup_is_made_at_a_press_and_restored_after_a_question()
    {
        screen.Open("/upkeep");
        screen.Until(() => screen.Count("[data-backups] button") > 0, "the backups");
        var before = screen.Count("[data-backup]");
        screen.Press("Back up now");
        screen.Until(() => screen.Count("[data-backup]") > before, "the backup");
        screen.Press("Restore");
        screen.Until(
            () => screen.Text("[role=dialog]").Contains("backed up first", StringComparison.Ordinal),
            "the question"
        );
        screen.Click("[role=dialog] button");
        screen.Until(
            () => screen.Text("[data-backups]").Contains("Restored.", StringComparison.Ordinal),
            "the restored state"
        );
    }

    [Fact]
    public void An_earlier_version_of_a_job_becomes_the_newest_again()
    {
        screen.OpenJob("Spruce");
        screen.Click("header button[title='Name, place and day']");
        screen.Type("Place", "somewhere else");
        screen.Until(() => screen.Count("[data-save=saved]") == 1, "the save");
        screen.Send(OpenQA.Selenium.Keys.Escape);
        screen.Click("header button[title='Name, place and day']");
        screen.Click("[data-revisions] summary");
        screen.Click("[data-revisions] li:last-child button[aria-label^='Take']");
        screen.Until(() => screen.ValueOf("Place") != "somewhere else", "the earlier place");
    }

    [Fact]
    public void A_change_is_named_with_who_made_it_and_undone()
    {
        screen.Open("/upkeep");
        screen.Type("Your name", "Runa");
        screen.Open("/locker/wedges");
        screen.Press("Delete");
        screen.Open("/upkeep");
        screen.Until(
            () => screen.Text("[data-history] li").Contains("deleted by Runa", StringComparison.Ordinal),
            "the deletion"
        );
        screen.Click("[data-history] li button");
        screen.Until(() => screen.Text("[data-history] li").Contains("undone", StringComparison.Ordinal), "the undo");
    }
}
