using System.Data;
using System.Text;
using Dapper;
using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Store;

/// <summary>One kind of document that is kept, and where its rows lie.</summary>
/// <param name="Kind">As history and damage call it.</param>
/// <param name="Rows">A select of id, name and text.</param>
/// <param name="Update">Writes @text over the row of @id.</param>
/// <param name="Check">What is wrong with a text as such a document.</param>
/// <param name="Reads">Whether the text of a row can be read.</param>
internal sealed record Kept(
    string Kind,
    string Rows,
    string Update,
    Func<string, IReadOnlyList<Problem>> Check,
    Func<string?, string, bool> Reads
)
{
    public const string Job = "job";
    public const string Gear = "gear";
    public const string Inspection = "inspection";
    public const string Use = "use";
    public const string Rules = "rules";
    public const string Species = "species";
    public const string Policy = "policy";
    public const string Tackle = "tackle";
    public const string Person = "person";
    public const string Template = "template";
    public const string Kit = "kit";
    public const string Set = "set";
    public const string Signature = "signature";
    public const string Entry = "entry";
    public const string Log = "log";
    public const string Learned = "learned";
    public const string Trial = "trial";
    public const string Wish = "own figure";

    public static IReadOnlyList<Kept> All { get; } =
    [
        new(
            Job,
            "select j.id, r.name, cast(r.plan as text) as text from job j join job_revision r on r.job_id = j.id and r.number = j.revision where j.deleted_at is null",
            "update job_revision set plan = @text where job_id = @id and number = (select revision from job where id = @id)",
            Problems<Plan>,
            Readable<Plan>
        ),
        new(
            Gear,
            "select id, id as name, cast(item as text) as text from gear_item where deleted_at is null",
            "update gear_item set item = @text, revision = revision + 1 where id = @id",
            Problems<GearItem>,
            Readable<GearItem>
        ),
        new(
            Inspection,
            "select cast(number as text) as id, item_id || ', ' || on_day as name, cast(inspection as text) as text from gear_inspection where undone_at is null",
            "update gear_inspection set inspection = @text where number = @id",
            Problems<Inspection>,
            Readable<Inspection>
        ),
        new(
            Use,
            "select cast(number as text) as id, item_id || ', ' || on_day as name, cast(use as text) as text from gear_use where undone_at is null",
            "update gear_use set use = @text where number = @id",
            Problems<GearUse>,
            Readable<GearUse>
        ),
        new(
            Rules,
            "select cast(id as text) as id, 'when gear flags itself' as name, cast(rules as text) as text from locker_rules",
            "update locker_rules set rules = @text where id = @id",
            Problems<LockerRules>,
            Readable<LockerRules>
        ),
        Named<Species>(Species, "own_species", "species"),
        Named<Policy>(Policy, "policy", "policy"),
        Named<OwnTackle>(Tackle, "own_tackle", "tackle"),
        new(
            Signature,
            "select cast(number as text) as id, name, cast(signature as text) as text from signature",
            "update signature set signature = @text where number = @id",
            Problems<Core.Briefs.Signature>,
            Readable<Core.Briefs.Signature>
        ),
        new(
            Entry,
            "select job_id || '/' || number as id, 'an entry of the day' as name, cast(entry as text) as text from pull_entry",
            "update pull_entry set entry = @text where job_id || '/' || number = @id",
            Problems<Core.Pulling.DayEntry>,
            Readable<Core.Pulling.DayEntry>
        ),
        new(
            Log,
            "select l.job_id as id, j.name, cast(l.log as text) as text from job_log l join job j on j.id = l.job_id",
            "update job_log set log = @text, learned = '', revision = revision + 1 where job_id = @id",
            Problems<Core.Logs.JobLog>,
            Readable<Core.Logs.JobLog>
        ),
        Named<Core.Learning.Trial>(Trial, "trial", "trial"),
        Named<Core.Learning.OwnWish>(Wish, "own_choice", "choice"),
        Named<Person>(Person, "person", "person"),
        Named<JobTemplate>(Template, "job_template", "template"),
        Named<TodayKit>(Kit, "kit", "kit"),
        Named<PlanSet>(Set, "plan_set", "plan_set"),
    ];

    /// <summary>Documents under an id of their own: kind, table and column.</summary>
    public static IReadOnlyList<(string Kind, string Table, string Column)> Tables { get; } =
    [
        (Species, "own_species", "species"),
        (Policy, "policy", "policy"),
        (Tackle, "own_tackle", "tackle"),
        (Person, "person", "person"),
        (Template, "job_template", "template"),
        (Kit, "kit", "kit"),
        (Set, "plan_set", "plan_set"),
        (Trial, "trial", "trial"),
        (Wish, "own_choice", "choice"),
    ];

    public static Kept? Of(string kind) => All.FirstOrDefault(k => k.Kind == kind);

    public IEnumerable<(string Id, string Name, string? Text)> Read(IDbConnection connection) =>
        connection.Query<(string, string, string?)>(Rows);

    private static Kept Named<T>(string kind, string table, string column)
        where T : class =>
        new(
            kind,
            $"select id, id as name, cast({column} as text) as text from {table}",
            $"update {table} set {column} = @text where id = @id",
            Problems<T>,
            Readable<T>
        );

    private static List<Problem> Problems<T>(string text)
        where T : class => DocumentReader.Read<T>(Encoding.UTF8.GetBytes(text)).Problems;

    private static bool Readable<T>(string? text, string id)
    {
        try
        {
            Documents.Read<T>(text, "", id);
            return true;
        }
        catch (DamagedException)
        {
            return false;
        }
    }
}
