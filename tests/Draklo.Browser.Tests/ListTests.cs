using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

public sealed class ListTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void Three_jobs_each_with_its_tree_its_state_and_its_day()
    {
        screen.Open();
        screen.Until(() => screen.Count("[data-job]") == 9, "nine open demo jobs");
        Assert.Equal(9, screen.Count("[data-job] svg"));
        Assert.Contains("Ternholt shore", screen.Text("[data-job^='Lime']"), StringComparison.Ordinal);
        Assert.Contains("Check", screen.Text("[data-job^='Lime']"), StringComparison.Ordinal);
        Assert.Contains("Ready", screen.Text("[data-job^='Spruce']"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_deleted_job_comes_back_and_a_copy_is_made()
    {
        screen.Open();
        screen.Click("[data-job^='Spruce'] button");
        screen.Press("Delete");
        screen.Until(() => screen.Count("[data-job]") == 8, "the job to go");
        screen.Press("Undo");
        screen.Until(() => screen.Count("[data-job]") == 9, "the job to come back");
        screen.Click("[data-job^='Spruce'] button");
        screen.Press("Duplicate");
        screen.Until(() => screen.Count("[data-job$=', copy']") == 1, "the copy");
    }

    [Fact]
    public void A_new_job_opens_on_guesses_and_takes_its_name()
    {
        screen.Open();
        screen.Press("New job");
        screen.Press("From nothing");
        screen.Until(() => screen.Count("[data-handle]") > 0, "the new sheet");
        screen.Send("2");
        screen.Until(() => screen.Count("aside [data-guess='true']") >= 5, "its guesses to be marked");
        screen.Type("Height", "19");
        screen.Until(() => screen.Count("[aria-label='Height: given']") == 1, "a given height to be no guess");
        screen.Click("button[title='Name, place and day']");
        screen.Type("Name", "Alder by the mill");
        screen.Press("Done");
        screen.UntilSaved();
        screen.Open();
        screen.Until(() => screen.Count("[data-job='Alder by the mill']") == 1, "the name on the list");
    }

    [Fact]
    public void Several_jobs_are_taken_off_the_list_and_put_back_in_one_go()
    {
        screen.Open();
        screen.Until(() => screen.Count("[data-job]") == 9, "the jobs");
        screen.Press("Choose several");
        screen.Until(() => screen.Count("[data-several]") == 1, "the bar");
        screen.Click("[data-job='Lime by the boathouse'] h2 button");
        screen.Click("[data-job='Spruce above the allotments'] h2 button");
        screen.Until(() => screen.Text("[data-several]").Contains("2 chosen", StringComparison.Ordinal), "two");
        screen.Press("Delete");
        screen.Until(() => screen.Count("[data-job]") == 7, "both to go");
        screen.Press("Put the 2 back");
        screen.Until(() => screen.Count("[data-job='Lime by the boathouse']") == 1, "both to be back");
        screen.Until(() => screen.Count("[data-job]") == 9, "the jobs as before");
        screen.NoViolations();
        screen.Press("Done");
        screen.Until(() => screen.Count("[data-job] h2 a") == 9, "jobs to be opened again");
    }

    [Fact]
    public void A_job_begins_like_an_earlier_one_at_its_measures_and_goes_again_if_nothing_is_entered()
    {
        screen.Open();
        screen.Until(() => screen.Count("[data-job]") == 9, "the jobs");
        screen.Press("New job");
        screen.Click("[role=dialog] li button");
        screen.Until(
            () => screen.Text("[data-summary]").Contains("Nothing is measured yet", StringComparison.Ordinal),
            "what was seen at the other tree to be a guess"
        );
        Assert.Equal("Size up", screen.Text("aside h2"));
        screen.Press("DRAKLO");
        screen.Until(() => screen.Count("[data-job]") == 9, "the jobs as before");

        screen.Press("New job");
        screen.Press("From nothing");
        screen.Until(() => screen.Count("aside h2") == 1, "the new sheet");
        screen.Click("button[title='Name, place and day']");
        screen.Type("Name", "Kept after all");
        screen.Press("Done");
        screen.UntilSaved();
        screen.Press("DRAKLO");
        screen.Until(() => screen.Count("[data-job='Kept after all']") == 1, "the job that was named");
    }

    [Fact]
    public void Files_that_are_no_plans_are_refused_in_a_sentence()
    {
        var folder = Directory.CreateTempSubdirectory("draklo-files-");
        try
        {
            screen.Open();
            Refused("other.json", """{ "type": "FeatureCollection", "features": [] }""", "not a Draklo plan");
            Refused("broken.json", "{ \"format\": ", "not readable JSON");
            Refused("large.json", new string(' ', 40 * 1024 * 1024), "larger than 1 MB");
            Assert.Equal(9, screen.Count("[data-job]"));
        }
        finally
        {
            folder.Delete(recursive: true);
        }

        void Refused(string name, string text, string says)
        {
            var file = Path.Combine(folder.FullName, name);
            File.WriteAllText(file, text);
            screen.Upload("input[type=file]", file);
            screen.Until(
                () =>
                    screen.Count("[role=alert]") == 1
                    && screen.Text("[role=alert]").Contains(says, StringComparison.Ordinal),
                says
            );
        }
    }

    [Fact]
    public void A_job_that_is_not_there_says_so_and_leads_back()
    {
        screen.Open("/jobs/nothing");
        screen.Until(() => screen.Text("main").Contains("no such job", StringComparison.Ordinal), "the sentence");
        screen.Press("Back to the jobs");
        screen.Until(() => screen.Count("[data-job]") == 9, "the list");
    }
}
