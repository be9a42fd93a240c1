using System.Text.Json.Serialization;
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

namespace Draklo.Browser;

/// <summary>
/// The types that are read and written here, described when this is built: found out at run time they would take most
/// of the time to the first answer.
/// </summary>
[JsonSourceGenerationOptions(GenerationMode = JsonSourceGenerationMode.Metadata, RespectNullableAnnotations = true)]
[JsonSerializable(typeof(Plan))]
[JsonSerializable(typeof(ComposedMembers))]
[JsonSerializable(typeof(Analysis))]
[JsonSerializable(typeof(StemProfile))]
[JsonSerializable(typeof(TackleView))]
[JsonSerializable(typeof(IReadOnlyList<Remedy>))]
[JsonSerializable(typeof(PlanChances))]
[JsonSerializable(typeof(Fall))]
[JsonSerializable(typeof(LayRose))]
[JsonSerializable(typeof(ClearingAnalysis))]
[JsonSerializable(typeof(IReadOnlyList<ClearingRemedy>))]
[JsonSerializable(typeof(ComposedTackle))]
[JsonSerializable(typeof(Refused))]
[JsonSerializable(typeof(CarriedLocker))]
[JsonSerializable(typeof(CarriedAsk))]
[JsonSerializable(typeof(CarriedDay))]
[JsonSerializable(typeof(CellHeard))]
[JsonSerializable(typeof(BriefAnswer))]
[JsonSerializable(typeof(DayPlan))]
[JsonSerializable(typeof(FoundRigs))]
[JsonSerializable(typeof(MergeAsk<Plan>))]
[JsonSerializable(typeof(MergeAsk<JobLog>))]
[JsonSerializable(typeof(MergedDocument<Plan>))]
[JsonSerializable(typeof(MergedDocument<JobLog>))]
[JsonSerializable(typeof(List<Species>))]
[JsonSerializable(typeof(List<ContactKind>))]
[JsonSerializable(typeof(List<Knot>))]
[JsonSerializable(typeof(List<AnchorFigure>))]
[JsonSerializable(typeof(List<Grip>))]
[JsonSerializable(typeof(List<RopeConstruction>))]
[JsonSerializable(typeof(List<GlossaryEntry>))]
internal sealed partial class Described : JsonSerializerContext;
