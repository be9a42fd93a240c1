using Dapper;

namespace Draklo.Store;

/// <summary>How the list is sorted.</summary>
public enum JobSort
{
    /// <summary>What is ahead before what is over, the soonest first, those without a day last.</summary>
    Day,

    /// <summary>The latest first, those without a day last.</summary>
    Latest,
    Name,
    Place,
    Species,
    Stage,
}

/// <summary>Which jobs are asked for, and in which order.</summary>
/// <param name="Text">In the name, the place or the crew; empty for all.</param>
/// <param name="Stages">Empty for all.</param>
/// <param name="Species">Empty for all.</param>
/// <param name="Crew">A name among its people; empty for all.</param>
/// <param name="From">yyyy-MM-dd; empty for all.</param>
/// <param name="To">yyyy-MM-dd; empty for all.</param>
public sealed record JobSearch(
    string Text = "",
    IReadOnlyList<string>? Stages = null,
    string Species = "",
    string Place = "",
    string Crew = "",
    string From = "",
    string To = "",
    JobSort Sort = JobSort.Day
)
{
    /// <summary>Jobs that are not deleted.</summary>
    internal const string Rows = "select * from job where deleted_at is null";

    private const string Soonest = "planned_on is null, planned_on, created_at, id";

    /// <summary>Each has an index of its own, of the same expressions.</summary>
    internal string Order =>
        Sort switch
        {
            JobSort.Latest =>
                "coalesce(on_day, planned_on) is null, coalesce(on_day, planned_on) desc, created_at desc, id",
            JobSort.Name => $"name collate nocase, {Soonest}",
            JobSort.Place => $"place collate nocase, {Soonest}",
            JobSort.Species => $"species, {Soonest}",
            JobSort.Stage =>
                $"case stage when 'planned' then 0 when 'briefed' then 1 when 'pulled' then 2 when 'cleared' then 3 when 'done' then 4 else 5 end, {Soonest}",
            _ =>
                $"case when stage in ('planned', 'briefed') then 0 when stage in ('pulled', 'cleared') then 1 else 2 end, {Soonest}",
        };

    internal string Where
    {
        get
        {
            var terms = new List<string> { "1" };
            When(Text.Length > 0, "(name || ' ' || place || ' ' || crew || ' ' || species) like @text escape '!'");
            When(Stages is { Count: > 0 }, "stage in @stages");
            When(Species.Length > 0, "species = @species");
            When(Place.Length > 0, "place = @place");
            When(Crew.Length > 0, "', ' || crew || ', ' like @crew escape '!'");
            When(From.Length > 0, "coalesce(on_day, planned_on) >= @from");
            When(To.Length > 0, "coalesce(on_day, planned_on) <= @to");
            return string.Join(" and ", terms);

            void When(bool asked, string term)
            {
                if (asked)
                {
                    terms.Add(term);
                }
            }
        }
    }

    internal DynamicParameters Arguments(object others)
    {
        var arguments = new DynamicParameters(others);
        arguments.Add("text", $"%{Plain(Text)}%");
        arguments.Add("stages", Stages ?? []);
        arguments.Add("species", Species);
        arguments.Add("place", Place);
        arguments.Add("crew", $"%, {Plain(Crew)}, %");
        arguments.Add("from", From);
        arguments.Add("to", To);
        return arguments;
    }

    private static string Plain(string text) =>
        text.Replace("!", "!!", StringComparison.Ordinal)
            .Replace("%", "!%", StringComparison.Ordinal)
            .Replace("_", "!_", StringComparison.Ordinal);
}
