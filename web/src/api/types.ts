import type { components } from "../../generated/schema";
import type { QuestionName } from "./questions";

type Schemas = components["schemas"];

/** A document as the server answers it: members with a usual value are always there; those that may be unknown may be missing. */
type Complete<T> = T extends (infer U)[]
  ? Complete<U>[]
  : T extends object
    ? { [K in keyof T as null extends T[K] ? never : K]-?: Complete<Exclude<T[K], undefined>> } & {
        [K in keyof T as null extends T[K] ? K : never]?: Complete<NonNullable<T[K]>> | undefined;
      }
    : T;

export type Plan = Complete<Schemas["Plan"]>;
export type Line = Plan["lines"][number];
/** A tackle of the crew's own, as a plan carries it. */
export type Composed = NonNullable<Line["tackle"]["composed"]>;
export type Analysis = Complete<Schemas["Analysis"]>;
export type Pulling = Complete<Schemas["PullingAnswer"]>;
export type PullDay = Pulling["day"];
export type PullStep = PullDay["now"];
export type PullLine = PullDay["lines"][number];
export type DayEntry = PullDay["entries"][number];
/** As it is sent: what nobody said is left out. */
export type NewEntry = Omit<Schemas["EntryDocument"], "key">;
export type TheChange = Schemas["ChangeDocument"];
export type ChangeAnswer = Complete<Schemas["ChangeAnswer"]>;
export type TraceView = Complete<Schemas["TraceView"]>;
export type LiveMessage = {
  entries: number;
  lineId?: string;
  atMs: number;
  tensionN?: number;
  leanDeg?: number;
  doubtful: boolean;
  missed: number;
  trouble: string;
};
export type Target = Plan["site"]["targets"][number];
export type Site = Plan["site"];
export type Rose = Complete<Schemas["LayRose"]>;
export type RoseBearing = Rose["bearings"][number];
/** Values are numbers or texts; the API description leaves them open. */
export interface Remedy {
  text: string;
  changes: { path: string; value: unknown }[];
  use: number;
  stillFails: number;
}
export interface StopRemedy {
  text: string;
  changes: { path: string; value: unknown }[];
  stopsLeft: number;
}
export type StemProfile = Complete<Schemas["StemProfile"]>;
export type Species = Complete<Schemas["Species"]>;
export type PlanSet = Complete<Schemas["PlanSet"]>;
export type Forecast = Complete<Schemas["ForecastAnswer"]>;
export type Sight = Schemas["Sight"];
export type Link = Analysis["links"][number];
export type LineResult = Analysis["pull"]["lines"][number];
export type Working = Complete<Schemas["Working"]>;
export type Figure = Complete<Schemas["Figure"]>;
export type LayPoint = Complete<Schemas["LayPoint"]>;
export type Job = Complete<Schemas["JobAnswer"]>;
export type JobEntry = Complete<Schemas["JobEntry"]>;
export type Catalogue = Complete<Schemas["CatalogueAnswer"]>;
export type Locker = Complete<Schemas["LockerAnswer"]>;
export type GearEntry = Locker["items"][number];
export type GearItem = GearEntry["item"];
export type GearDetail = Complete<Schemas["GearDetail"]>;
export type Inspection = Complete<Schemas["Inspection"]>;
export type GearUse = Complete<Schemas["GearUse"]>;
export type CsvPreview = Complete<Schemas["CsvPreview"]>;
export type LockerRules = Complete<Schemas["LockerRules"]>;
export type Policy = Complete<Schemas["Policy"]>;
export type OwnTackle = Complete<Schemas["OwnTackle"]>;
export type ComposedTackle = Complete<Schemas["ComposedTackle"]>;
export type TackleView = Complete<Schemas["TackleView"]>;
export type PlanChances = Complete<Schemas["PlanChances"]>;
export type FoundRigs = Complete<Schemas["FoundRigs"]>;
export interface JobPage {
  jobs: JobEntry[];
  /** How many there are in all. */
  total: number;
}
export type KeptRevision = Complete<Schemas["KeptRevision"]>;
export type RevisionChanges = Complete<Schemas["RevisionChanges"]>;
export type Person = Complete<Schemas["Person"]>;
export type JobTemplate = Complete<Schemas["JobTemplate"]>;
export type TodayKit = Complete<Schemas["TodayKit"]>;
export type CrewMember = Plan["crew"][number];
export type JobRole = CrewMember["role"];
export type BriefAnswer = Complete<Schemas["BriefAnswer"]>;
export type BriefPage = BriefAnswer["page"];
export type Brief = BriefPage["brief"];
export type IssuedAnswer = Complete<Schemas["IssuedAnswer"]>;
export type PackingTick = BriefAnswer["ticks"][number];
export type Fall = Complete<Schemas["Fall"]>;
export type DayPlan = Complete<Schemas["DayPlan"]>;
export type Care = Complete<Schemas["CareAnswer"]>;
export type Backup = Complete<Schemas["Backup"]>;
export type DamagedRow = Complete<Schemas["DamagedRow"]>;
export type HistoryEntry = Complete<Schemas["HistoryEntry"]>;
export type JobStage = Schemas["JobStage"];
export type LogAnswer = Complete<Schemas["LogAnswer"]>;
export type LogStart = LogAnswer["start"];
export type JobLog = Complete<Schemas["JobLog"]>;
export type JobNames = Complete<Schemas["JobNames"]>;
export type YearAnswer = Complete<Schemas["YearAnswer"]>;
export type NearMissEntry = Complete<Schemas["NearMissEntry"]>;
export type Picture = Complete<Schemas["PictureAnswer"]>;
export type Learning = Complete<Schemas["LearningAnswer"]>;
export type LearnedFigure = Learning["figures"][number];
export type LoggedJob = Learning["jobs"][number];
export type Trial = Complete<Schemas["Trial"]>;
export type TrialAnswer = Complete<Schemas["TrialAnswer"]>;
export type OwnChoice = Complete<Schemas["OwnChoice"]>;
export type OwnAnswer = { plan: Plan; choices: OwnChoice[] };
export type PracticeCard = Complete<Schemas["PracticeCard"]>;
export type PracticeTopic = PracticeCard["topic"];
export type CardAnswered = Complete<Schemas["CardAnswered"]>;
export type PracticeRecord = CardAnswered["record"];
export type RegisterEntry = Complete<Schemas["RegisterEntry"]>;
export type ClearingAnalysis = Complete<Schemas["ClearingAnalysis"]>;
export type ClearingRemedy = Complete<Schemas["ClearingRemedy"]>;
export type FoundGear = Complete<Schemas["FoundGear"]>;
export type WayResult = ClearingAnalysis["ways"][number];
export type ClearingWay = WayResult["way"];
export type RigLink = WayResult["links"][number];
export type Clearing = NonNullable<Plan["clearing"]>;
/** What a list of jobs is asked for; empty for all. */
export interface JobAsk {
  text: string;
  stage: string;
  species: string;
  place: string;
  crew: string;
  sort: string;
}
export type { Units } from "../units/units";

/** What a device takes along beside its jobs, and which jobs are open. */
export type CarriedAnswer = Complete<Schemas["CarriedAnswer"]>;
/** A job as a device takes it along. */
export type CarriedJob = Complete<Schemas["CarriedJob"]>;
export type MergedPlan = Complete<Schemas["MergedDocumentOfPlan"]>;
export type MergedLog = Complete<Schemas["MergedDocumentOfJobLog"]>;
export type Clash = MergedPlan["clashes"][number];
export type Side = Schemas["Side"];

/** Who this page speaks for. */
export type Session = Complete<Schemas["SessionAnswer"]>;
export type Right = Session["rights"][number];
export type Sharing = Complete<Schemas["SharingAnswer"]>;
export type LetInCode = Complete<Schemas["CodeAnswer"]>;
export type Signer = Schemas["Signer"];

interface Answers {
  analyse: Analysis;
  stemProfile: StemProfile;
  remedies: Remedy[];
  stopRemedies: StopRemedy[];
  tackleView: TackleView;
  composeTackle: ComposedTackle;
  chances: PlanChances;
  fall: Fall;
  layRose: Rose;
  drawUpDay: DayPlan;
  findRigs: FoundRigs;
  analyseClearing: ClearingAnalysis;
  clearingRemedies: ClearingRemedy[];
  clearingSection: Clearing["ground"];
  findClearingGear: FoundGear[];
  mergePlans: MergedPlan;
  mergeLogs: MergedLog;
}

/** What a question of the core is answered with; one that is not listed above cannot be asked here. */
export type AnswerOf<N extends QuestionName> = N extends keyof Answers ? Answers[N] : never;
