import { answerTo, ask, askCore, askKept, orHere, send } from "./ask";
import type {
  CardAnswered,
  JobAsk,
  JobLog,
  LetInCode,
  Session,
  Sharing,
  Signer,
  Side,
  JobNames,
  Learning,
  LogAnswer,
  NearMissEntry,
  OwnAnswer,
  Picture,
  PracticeCard,
  PracticeRecord,
  PracticeTopic,
  RegisterEntry,
  Trial,
  TrialAnswer,
  YearAnswer,
  ChangeAnswer,
  NewEntry,
  Pulling,
  TheChange,
  TraceView,
  TodayKit,
  RevisionChanges,
  Person,
  PackingTick,
  JobTemplate,
  IssuedAnswer,
  BriefAnswer,
  Backup,
  Care,
  Catalogue,
  CsvPreview,
  DamagedRow,
  Forecast,
  GearDetail,
  GearEntry,
  GearItem,
  GearUse,
  HistoryEntry,
  Inspection,
  Job,
  JobEntry,
  JobPage,
  KeptRevision,
  Locker,
  LockerRules,
  OwnTackle,
  PlanSet,
  Plan,
  Policy,
  Sight,
  Site,
  Species,
  Units,
} from "./types";

/** What this device took along; fetched when it is first needed. */
const along = () => import("./along");

export { Refusal, sayWhy } from "./refusal";

export interface JobContent {
  name: string;
  place: string;
  plannedOn?: string | undefined;
  plan: Plan;
}

export const api = {
  catalogue: () => askKept<Catalogue>("/api/catalogue"),
  jobs: async (units: Units, offset: number, limit: number, asked: Partial<JobAsk> = {}): Promise<JobPage> => {
    const terms = Object.entries(asked)
      .filter(([, v]) => v !== "")
      .map(([k, v]) => `&${k}=${encodeURIComponent(v)}`)
      .join("");
    return orHere(
      (async () => {
        const response = await answerTo(`/api/jobs?units=${units}&offset=${offset}&limit=${limit}${terms}`);
        return { jobs: (await response.json()) as JobEntry[], total: Number(response.headers.get("x-total")) };
      })(),
      async () => (await along()).jobsHere(units, offset, asked),
    );
  },
  job: (id: string) => askKept<Job>(`/api/jobs/${id}`),
  begin: (from: { like?: string; template?: string; clearing?: boolean }) => ask<Job>("/api/jobs", send("POST", from)),
  create: (content: JobContent) => ask<Job>("/api/jobs", send("POST", content)),
  save: async (id: string, revision: number, content: JobContent, keepalive = false) => {
    const request = { ...send("PUT", content, { "if-match": `"${revision}"` }), keepalive };
    const saved = await ask<Job>(`/api/jobs/${id}`, request);
    void along().then(({ keepJobAnswer }) => keepJobAnswer(saved));
    return saved;
  },
  mergePlans: (merge: { was?: Plan; mine: Plan; theirs: Plan; settled: Record<string, Side> }, units: Units) =>
    askCore("mergePlans", merge, { units }),
  mergeLogs: (merge: { was?: JobLog; mine: JobLog; theirs: JobLog; settled: Record<string, Side> }, units: Units) =>
    askCore("mergeLogs", merge, { units }),
  duplicate: (id: string) => ask<Job>(`/api/jobs/${id}/duplicate`, send("POST")),
  remove: (id: string) => ask<undefined>(`/api/jobs/${id}`, send("DELETE")),
  restore: (id: string) => ask<Job>(`/api/jobs/${id}/restore`, send("POST")),
  importPlan: (file: File) =>
    ask<Job>("/api/jobs/import", { method: "POST", headers: { "content-type": "application/json" }, body: file }),
  revisions: (id: string) => askKept<KeptRevision[]>(`/api/jobs/${id}/revisions`),
  revision: (id: string, number: number) => ask<Job>(`/api/jobs/${id}/revisions/${number}`),
  compareRevisions: (id: string, from: number, to: number, units: Units) =>
    ask<RevisionChanges>(`/api/jobs/${id}/revisions/${from}/changes/${to}?units=${units}`),
  importJob: (file: File) =>
    ask<Job>("/api/jobs/archives", { method: "POST", headers: { "content-type": "application/zip" }, body: file }),
  people: () => askKept<Person[]>("/api/crew"),
  keepPerson: (person: Person) => ask<Person>(`/api/crew/${person.id}`, send("PUT", person)),
  dropPerson: (id: string) => ask<undefined>(`/api/crew/${id}`, send("DELETE")),
  peopleWithPin: () => askKept<string[]>("/api/crew-pins"),
  setPin: (id: string, pin: string, old: string) =>
    ask<undefined>(`/api/crew/${id}/pin`, send("PUT", old === "" ? { pin } : { pin, old })),
  templates: () => askKept<JobTemplate[]>("/api/templates"),
  keepTemplate: (template: JobTemplate) => ask<JobTemplate>(`/api/templates/${template.id}`, send("PUT", template)),
  dropTemplate: (id: string) => ask<undefined>(`/api/templates/${id}`, send("DELETE")),
  kits: () => askKept<TodayKit[]>("/api/kits"),
  keepKit: (kit: TodayKit) => ask<TodayKit>(`/api/kits/${kit.id}`, send("PUT", kit)),
  brief: (id: string, units: Units) =>
    orHere(ask<BriefAnswer>(`/api/jobs/${id}/brief?units=${units}`), async () => (await along()).briefHere(id, units)),
  issuedBrief: (id: string, number: number) => askKept<IssuedAnswer>(`/api/jobs/${id}/briefs/${number}`),
  sign: (id: string, units: Units, signature: { name: string; pin: string; lead?: string; fingerprint: string }) =>
    orHere(ask<BriefAnswer>(`/api/jobs/${id}/signatures?units=${units}`, send("POST", signature)), async () =>
      (await along()).signLater("sign", id, units, signature),
    ),
  issue: (id: string, units: Units, lead: { name: string; pin: string; fingerprint: string }) =>
    orHere(ask<BriefAnswer>(`/api/jobs/${id}/briefs?units=${units}`, send("POST", lead)), async () =>
      (await along()).signLater("issue", id, units, lead),
    ),
  tick: (id: string, tick: { piece: string; out?: boolean; back?: boolean }) =>
    orHere(ask<PackingTick[]>(`/api/jobs/${id}/packing`, send("POST", tick)), async () =>
      (await along()).tickLater(id, tick),
    ),
  fall: (plan: Plan, haulSpeedMps: number, samples: number, units: Units, signal?: AbortSignal) =>
    askCore("fall", plan, { aim: true, haulSpeedMps, samples, units }, signal),
  day: (plan: Plan, on: string | undefined, units: Units, signal?: AbortSignal) =>
    askCore("drawUpDay", plan, { units, ...(on !== undefined && { on }) }, signal),
  takeRevision: (id: string, number: number) => ask<Job>(`/api/jobs/${id}/revisions/${number}/take`, send("POST")),
  rose: (plan: Plan, step: number, signal?: AbortSignal) => askCore("layRose", plan, { step }, signal),
  stem: (plan: Plan, line: number) => askCore("stemProfile", plan, { line }),
  tackle: (plan: Plan, line: number, units: Units) => askCore("tackleView", plan, { line, units }),
  chances: (plan: Plan, samples: number, units: Units, signal?: AbortSignal) =>
    askCore("chances", plan, { samples, units }, signal),
  remedies: (plan: Plan, link: string, units: Units, signal?: AbortSignal) =>
    askCore("remedies", plan, { link, units }, signal),

  /** What would take a stop away; empty where no change of the plan does. */
  stopRemedies: (plan: Plan, stop: { code: string; path: string; link: string }, units: Units, signal?: AbortSignal) =>
    askCore("stopRemedies", plan, { ...stop, units }, signal),
  siteFile: async (plan: Plan): Promise<Blob> => {
    return (await answerTo("/api/site/geojson", send("POST", plan))).blob();
  },
  importSite: (site: Site, file: unknown) => ask<Site>("/api/site/import", send("POST", { site, file })),
  reading: (plan: Plan, sight: Sight, lookingDeg = 0) =>
    ask<{ instrument: string; value: number }>("/api/instruments/reading", send("POST", { plan, sight, lookingDeg })),
  forecast: (day: string) => askKept<Forecast>(`/api/forecast?day=${day}`),
  keepSpecies: (species: Species) => ask<unknown>(`/api/species/${species.id}`, send("PUT", species)),
  dropSpecies: (id: string) => ask<undefined>(`/api/species/${id}`, send("DELETE")),
  locker: (units: Units) => askKept<Locker>(`/api/locker?units=${units}`),
  gear: (id: string, units: Units) => askKept<GearDetail>(`/api/locker/items/${id}?units=${units}`),
  createGear: (item: GearItem, units: Units) =>
    ask<GearEntry>(`/api/locker/items?units=${units}`, send("POST", { item })),
  saveGear: (item: GearItem, revision: number, units: Units) =>
    ask<GearEntry>(`/api/locker/items/${item.id}?units=${units}`, send("PUT", item, { "if-match": `"${revision}"` })),
  removeGear: (id: string) => ask<undefined>(`/api/locker/items/${id}`, send("DELETE")),
  restoreGear: (id: string, units: Units) =>
    ask<GearDetail>(`/api/locker/items/${id}/restore?units=${units}`, send("POST")),
  inspect: (id: string, inspection: Inspection, units: Units) =>
    ask<GearDetail>(`/api/locker/items/${id}/inspections?units=${units}`, send("POST", inspection)),
  logUse: (id: string, use: GearUse, units: Units) =>
    ask<GearDetail>(`/api/locker/items/${id}/uses?units=${units}`, send("POST", use)),
  usual: (findings: Inspection["findings"]) =>
    ask<{ outcome: Inspection["outcome"] }>("/api/locker/usual", send("POST", { findings })),
  keepRules: (rules: LockerRules) => ask<LockerRules>("/api/locker/rules", send("PUT", rules)),
  previewList: (file: File, units: Units) =>
    ask<CsvPreview>(`/api/locker/csv/preview?units=${units}`, {
      method: "POST",
      headers: { "content-type": "text/csv" },
      body: file,
    }),
  takeList: (file: File, units: Units) =>
    ask<CsvPreview>(`/api/locker/csv?units=${units}`, {
      method: "POST",
      headers: { "content-type": "text/csv" },
      body: file,
    }),
  compose: (tackle: OwnTackle["tackle"], contactId: string) => askCore("composeTackle", tackle, { contactId }),
  tackles: () => askKept<OwnTackle[]>("/api/tackles"),
  keepTackle: (own: OwnTackle) => ask<OwnTackle>(`/api/tackles/${own.id}`, send("PUT", own)),
  dropTackle: (id: string) => ask<undefined>(`/api/tackles/${id}`, send("DELETE")),
  sets: () => askKept<PlanSet[]>("/api/sets"),
  keepSet: (set: PlanSet) => ask<PlanSet>(`/api/sets/${set.id}`, send("PUT", set)),
  dropSet: (id: string) => ask<undefined>(`/api/sets/${id}`, send("DELETE")),
  policies: () => askKept<Policy[]>("/api/policies"),
  keepPolicy: (policy: Policy) => ask<Policy>(`/api/policies/${policy.id}`, send("PUT", policy)),
  dropPolicy: (id: string) => ask<undefined>(`/api/policies/${id}`, send("DELETE")),
  session: () => askKept<Session>("/api/session"),
  pair: (code: string, device: string) => ask<{ guestOf?: string }>("/api/pair", send("POST", { code, device })),
  peopleToSignIn: () => ask<Signer[]>("/api/session/people"),
  signIn: (personId: string, pin: string) => ask<Session>("/api/session", send("POST", { personId, pin })),
  signOut: () => ask<undefined>("/api/session", send("DELETE")),
  sharing: () => ask<Sharing>("/api/sharing"),
  makeCode: (guestOf?: string) =>
    ask<LetInCode>("/api/sharing/codes", send("POST", guestOf === undefined ? {} : { guestOf })),
  endSession: (id: string) => ask<undefined>(`/api/sharing/sessions/${id}`, send("DELETE")),
  forgetDevice: (id: string) => ask<undefined>(`/api/sharing/devices/${id}`, send("DELETE")),
  care: () => ask<Care>("/api/care"),
  checkData: () => ask<Care>("/api/care/check", send("POST")),
  backups: () => ask<Backup[]>("/api/backups"),
  makeBackup: () => ask<Backup>("/api/backups", send("POST")),
  takeInBackup: (file: File) =>
    ask<Backup>("/api/backups/file", { method: "POST", headers: { "content-type": "application/zip" }, body: file }),
  restoreBackup: (name: string) => ask<{ aside: Backup }>(`/api/backups/${name}/restore`, send("POST")),
  dropBackup: (name: string) => ask<undefined>(`/api/backups/${name}`, send("DELETE")),
  damaged: () => ask<DamagedRow[]>("/api/damaged"),
  damagedText: async (kind: string, id: string) => (await answerTo(`/api/damaged/${kind}/${id}`)).text(),
  mend: (kind: string, id: string, text: string) => ask<undefined>(`/api/damaged/${kind}/${id}`, send("PUT", { text })),
  history: (before: number) => ask<HistoryEntry[]>(`/api/history?before=${before}&limit=50`),
  undo: (number: number) => ask<undefined>(`/api/history/${number}/undo`, send("POST")),
  pulling: (id: string, units: Units) =>
    orHere(
      ask<Pulling>(`/api/jobs/${id}/pulling?units=${units}`),
      async () => (await (await along()).pullingHere(id, units)).day,
    ),
  addDayEntry: (id: string, entry: NewEntry & { key: string }, units: Units) =>
    ask<Pulling>(`/api/jobs/${id}/pulling/entries?units=${units}`, send("POST", entry)),
  changeOnTheDay: (id: string, change: TheChange, units: Units) =>
    ask<ChangeAnswer>(`/api/jobs/${id}/pulling/change?units=${units}`, send("POST", change)),
  trace: (id: string, spans: number) => ask<TraceView[]>(`/api/jobs/${id}/pulling/trace?spans=${spans}`),
  jobNames: () => askKept<JobNames>("/api/jobs/named"),
  year: (year: number) => ask<YearAnswer>(`/api/years/${year}`),
  log: (id: string) => askKept<LogAnswer>(`/api/jobs/${id}/log`),
  keepLog: (id: string, revision: number, log: JobLog, units: Units) =>
    orHere(
      ask<LogAnswer>(`/api/jobs/${id}/log?units=${units}`, send("PUT", log, { "if-match": `"${revision}"` })),
      async () => (await along()).logLater(id, revision, log),
    ),
  nearMisses: () => ask<NearMissEntry[]>("/api/near-misses"),
  keepPicture: (picture: Blob) =>
    orHere(
      ask<Picture>("/api/pictures", { method: "POST", headers: { "content-type": picture.type }, body: picture }),
      async () => (await along()).pictureLater(picture),
    ),
  learning: () => ask<Learning>("/api/learning"),
  useLearned: (id: string, used: boolean, by: string) =>
    ask<unknown>(`/api/learning/${encodeURIComponent(id)}`, send("PUT", { used, by })),
  ownFigures: (plan: Plan, units: Units, change?: { figureId: string; use: boolean }, signal?: AbortSignal) =>
    ask<OwnAnswer>(`/api/learning/plan?units=${units}`, {
      ...send("POST", { plan, ...change }),
      ...(signal && { signal }),
    }),
  trials: (units: Units) => ask<TrialAnswer[]>(`/api/trials?units=${units}`),
  keepTrial: (trial: Trial, units: Units) =>
    ask<TrialAnswer>(`/api/trials/${trial.id}?units=${units}`, send("PUT", trial)),
  dropTrial: (id: string) => ask<undefined>(`/api/trials/${id}`, send("DELETE")),
  practiceCard: (topic: PracticeTopic, units: Units) =>
    ask<PracticeCard>(`/api/practice/cards/${topic}?units=${units}`),
  answerCard: (
    answer: { person: string; topic: PracticeTopic; seed: number; value?: number; index?: number; order?: number[] },
    units: Units,
  ) => ask<CardAnswered>(`/api/practice/answers?units=${units}`, send("POST", answer)),
  practiceRecord: (person: string) => ask<PracticeRecord>(`/api/practice/records/${encodeURIComponent(person)}`),
  practiceRecords: () => ask<PracticeRecord[]>("/api/practice/records"),
  register: (units: Units) => askKept<RegisterEntry[]>(`/api/locker/register?units=${units}`),
  analyseClearing: (plan: Plan, units: Units) => askCore("analyseClearing", plan, { units }),
  clearingRemedies: (plan: Plan, units: Units, signal?: AbortSignal) =>
    askCore("clearingRemedies", plan, { units }, signal),
  clearingSection: (plan: Plan, units: Units) => askCore("clearingSection", plan, { units }),
  findClearingGear: (plan: Plan, units: Units, signal?: AbortSignal) =>
    askCore("findClearingGear", plan, { units }, signal),
  analyse: (plan: Plan, units: Units, workings: boolean) => askCore("analyse", plan, { units, workings }),
};
