using System.Collections.Frozen;
using Draklo.Core.Plans;

namespace Draklo.Web.Sharing;

/// <summary>Who somebody signed in is to this server; who may do most comes first.</summary>
public enum Role
{
    Lead,
    Faller,
    Hauler,
    Learner,

    /// <summary>Let in to read one job's brief.</summary>
    Guest,
}

/// <summary>What endpoints are for, as far as it decides who may use them.</summary>
public enum Right
{
    /// <summary>Whoever reaches this server, signed in or not.</summary>
    Anybody,

    /// <summary>A paired device on which nobody is signed in yet.</summary>
    Device,

    /// <summary>A job's brief, to read.</summary>
    Brief,
    Look,

    /// <summary>Works something out and keeps nothing.</summary>
    WorkOut,

    /// <summary>Sign a brief, by their own PIN.</summary>
    Sign,

    /// <summary>Tick gear out and back, say what happens on the day, practise.</summary>
    TakePart,
    Plan,
    Log,
    Locker,

    /// <summary>Begin, copy, import and delete jobs; issue briefs; what the crew learned.</summary>
    Lead,

    /// <summary>The crew's book, backups, upkeep, who is let in.</summary>
    Yard,
}

/// <summary>Who may do what, in one table: rights by role, endpoints by right.</summary>
public static class Rights
{
    private static readonly FrozenDictionary<Role, FrozenSet<Right>> OfRoles = new Dictionary<Role, Right[]>
    {
        [Role.Lead] = Enum.GetValues<Right>(),
        [Role.Faller] =
        [
            Right.Brief,
            Right.Look,
            Right.WorkOut,
            Right.Sign,
            Right.TakePart,
            Right.Plan,
            Right.Log,
            Right.Locker,
        ],
        [Role.Hauler] = [Right.Brief, Right.Look, Right.WorkOut, Right.Sign, Right.TakePart],
        [Role.Learner] = [Right.Brief, Right.Look, Right.WorkOut, Right.Sign],
        [Role.Guest] = [Right.Brief],
    }.ToFrozenDictionary(
        r => r.Key,
        // On a guest's device nobody signs in, and nobody's name is read there.
        r => r.Value.Concat(r.Key == Role.Guest ? [Right.Anybody] : [Right.Anybody, Right.Device]).ToFrozenSet()
    );

    private static readonly Dictionary<Right, string[]> Endpoints = new()
    {
        [Right.Anybody] = ["session", "pair", "signOut"],
        [Right.Device] = ["signIn", "peopleToSignIn"],
        [Right.Brief] = ["readBrief", "issuedBrief", "briefCode"],
        [Right.Look] =
        [
            "listJobs",
            "jobNames",
            "readJob",
            "exportPlan",
            "exportJob",
            "exportJobs",
            "listRevisions",
            "readRevision",
            "compareRevisions",
            "catalogue",
            "planSchema",
            "locker",
            "lockerStandings",
            "readGear",
            "gearRegister",
            "gearRegisterCsv",
            "gearLabel",
            "exportLocker",
            "policies",
            "tackles",
            "people",
            "templates",
            "kits",
            "sets",
            "peopleWithPin",
            "readPulling",
            "readTrace",
            "traceCsv",
            "/hubs/pulling",
            "/hubs/job",
            "dayCalendar",
            "readLog",
            "nearMisses",
            "nearMissesCsv",
            "readPicture",
            "readYear",
            "yearOnMap",
            "yearCsv",
            "readLearning",
            "learningCsv",
            "listTrials",
            "practiceCard",
            "practiceRecords",
            "practiceRecord",
            "forecast",
            "carried",
            "carriedJob",
        ],
        [Right.WorkOut] =
        [
            "analyse",
            "stemProfile",
            "remedies",
            "stopRemedies",
            "tackleView",
            "composeTackle",
            "findRigs",
            "chances",
            "fall",
            "solveTackle",
            "/hubs/finder",
            "layRose",
            "writeSite",
            "importSite",
            "takeReading",
            "drawUpDay",
            "lowerTree",
            "analyseClearing",
            "clearingRemedies",
            "clearingSection",
            "findClearingGear",
            "planWithLearned",
            "usualOutcome",
            "previewLocker",
            "mergePlans",
            "mergeLogs",
        ],
        [Right.Sign] = ["signBrief"],
        [Right.TakePart] = ["tickGear", "addDayEntry", "takeCellReadings", "keepKit", "answerCard"],
        [Right.Plan] = ["saveJob", "takeRevision", "changeOnTheDay", "keepTackle", "keepSpecies", "keepSet"],
        [Right.Log] = ["keepLog", "keepPicture"],
        [Right.Locker] = ["inspectGear", "logGear", "createGear", "saveGear"],
        [Right.Lead] =
        [
            "createJob",
            "duplicateJob",
            "deleteJob",
            "restoreJob",
            "importPlan",
            "importJob",
            "issueBrief",
            "deleteGear",
            "restoreGear",
            "importLocker",
            "keepLockerRules",
            "keepPolicy",
            "dropPolicy",
            "dropTackle",
            "dropSpecies",
            "keepTemplate",
            "dropTemplate",
            "dropKit",
            "dropSet",
            "keepTrial",
            "dropTrial",
            "useLearned",
        ],
        [Right.Yard] =
        [
            "keepPerson",
            "dropPerson",
            "setPin",
            "care",
            "checkData",
            "listDamaged",
            "readDamaged",
            "mendDamaged",
            "listHistory",
            "undoChange",
            "listBackups",
            "makeBackup",
            "downloadBackup",
            "takeInBackup",
            "restoreBackup",
            "deleteBackup",
            "sharing",
            "makeCode",
            "endSession",
            "forgetDevice",
        ],
    };

    private static readonly FrozenDictionary<string, Right> ByEndpoint = Endpoints
        .SelectMany(e => e.Value.Select(name => (name, right: e.Key)))
        .ToFrozenDictionary(e => e.name, e => e.right, StringComparer.Ordinal);

    /// <summary>Every endpoint in the table, by its name; hubs by their path.</summary>
    public static IEnumerable<string> Names => ByEndpoint.Keys;

    /// <summary>What an endpoint is for; null for one that nobody has put in the table, and nobody from outside may use.</summary>
    public static Right? Of(string endpoint) =>
        ByEndpoint.TryGetValue(endpoint, out var right) ? right
        : endpoint.StartsWith("rigging", StringComparison.Ordinal) ? Right.WorkOut
        : null;

    public static bool May(Role role, Right right) => OfRoles[role].Contains(right);

    public static IReadOnlyCollection<Right> All(Role role) => OfRoles[role];

    /// <summary>Who somebody of the crew's book is here: by the most that they do on jobs.</summary>
    public static Role Of(Person person) => person.Roles.Select(Of).DefaultIfEmpty(Role.Learner).Min();

    private static Role Of(JobRole role) =>
        role switch
        {
            JobRole.Lead => Role.Lead,
            JobRole.Faller or JobRole.Climber => Role.Faller,
            JobRole.Learner => Role.Learner,
            _ => Role.Hauler,
        };

    /// <summary>As in "a hauler".</summary>
    public static string InWords(Role role) =>
        role switch
        {
            Role.Lead => "the lead",
            Role.Faller => "a faller",
            Role.Hauler => "a hauler",
            Role.Learner => "a learner",
            _ => "a guest",
        };
}
