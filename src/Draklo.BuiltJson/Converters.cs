using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using Draklo.Core.Analyses;
using Draklo.Core.Answers;
using Draklo.Core.Briefs;
using Draklo.Core.Carrying;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Days;
using Draklo.Core.Falls;
using Draklo.Core.Gear;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;

namespace Draklo.BuiltJson;

/// <summary>
/// Reads and writes the documents that are named here, by code that is written when this is compiled: finding types out
/// at run time takes most of the time to the first answer.
/// </summary>
[Reads(typeof(Plan))]
[Reads(typeof(ComposedMembers))]
[Reads(typeof(CarriedLocker))]
[Reads(typeof(CarriedJob))]
[Reads(typeof(CarriedAsk))]
[Reads(typeof(MergeAsk<Plan>))]
[Reads(typeof(MergeAsk<JobLog>))]
[Reads(typeof(List<Species>))]
[Reads(typeof(List<ContactKind>))]
[Reads(typeof(List<Knot>))]
[Reads(typeof(List<AnchorFigure>))]
[Reads(typeof(List<Grip>))]
[Reads(typeof(List<RopeConstruction>))]
[Reads(typeof(List<GlossaryEntry>))]
[Writes(typeof(Analysis))]
[Writes(typeof(StemProfile))]
[Writes(typeof(TackleView))]
[Writes(typeof(IReadOnlyList<Remedy>))]
[Writes(typeof(PlanChances))]
[Writes(typeof(Fall))]
[Writes(typeof(LayRose))]
[Writes(typeof(ClearingAnalysis))]
[Writes(typeof(IReadOnlyList<ClearingRemedy>))]
[Writes(typeof(ComposedTackle))]
[Writes(typeof(Refused))]
[Writes(typeof(CarriedDay))]
[Writes(typeof(CellHeard))]
[Writes(typeof(BriefAnswer))]
[Writes(typeof(DayPlan))]
[Writes(typeof(FoundRigs))]
[Writes(typeof(IReadOnlyList<FoundGear>))]
[Writes(typeof(GroundSectionMembers))]
[Writes(typeof(MergedDocument<Plan>))]
[Writes(typeof(MergedDocument<JobLog>))]
public sealed partial class Converters : IBuiltConverters
{
    public BuiltConverter<T>? For<T>()
        where T : class => Made(typeof(T)) as BuiltConverter<T>;

    public JsonTypeInfo? GetTypeInfo(Type type, JsonSerializerOptions options) =>
        (Made(type) as IBuiltConverter)?.Info(options);

    private static partial object? Made(Type type);
}

/// <summary>Such a document is read here, and written too.</summary>
[AttributeUsage(AttributeTargets.Class, AllowMultiple = true)]
public sealed class ReadsAttribute(Type type) : Attribute
{
    public Type Type { get; } = type;
}

/// <summary>Such an answer is written here.</summary>
[AttributeUsage(AttributeTargets.Class, AllowMultiple = true)]
public sealed class WritesAttribute(Type type) : Attribute
{
    public Type Type { get; } = type;
}
