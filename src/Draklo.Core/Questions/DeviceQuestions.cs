using Draklo.Core.Briefs;
using Draklo.Core.Carrying;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Core.Questions;

/// <summary>What is asked about copies that two people changed, and what a device asks about a job that it took along.</summary>
public static class DeviceQuestions
{
    private const string Tag = "carrying";

    /// <summary>All of them.</summary>
    public static IReadOnlyList<Question> All { get; } =
    [
        new Question<MergeAsk<Plan>, MergedDocument<Plan>>((merge, asked) => (merge.Merged(asked.Units), []))
        {
            Path = "/api/merge",
            Name = "mergePlans",
            Tag = Tag,
            Summary =
                "Two plans that came of one, put together member by member; what both changed is named until somebody settles it. Nothing is kept.",
        },
        new Question<MergeAsk<JobLog>, MergedDocument<JobLog>>((merge, asked) => (merge.Merged(asked.Units), []))
        {
            Path = "/api/merge/log",
            Name = "mergeLogs",
            Tag = Tag,
            Summary = "The same for two logs of one job.",
        },
        new Question<CarriedJob, BriefAnswer>(
            (carried, asked) => CarriedDay.BriefOf(carried, asked.AtHand.Locker, asked.Units)
        )
        {
            Path = "/api/here/brief",
            Name = "briefHere",
            Tag = Tag,
            Summary = "The brief of a job on this device.",
            IsOfDevice = true,
        },
        new Question<CarriedAsk, CarriedDay>(
            (carried, asked) => CarriedDay.Of(carried, asked.AtHand.Locker, asked.Units, asked.AtHand.ClockOffset)
        )
        {
            Path = "/api/here/pulling",
            Name = "pullingHere",
            Tag = Tag,
            Summary = "The day of a job on this device, with what was entered here since.",
            IsOfDevice = true,
        },
    ];
}
