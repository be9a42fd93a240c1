import { useBusy } from "../ui/busy";
import { answerHere, knowStandings, startHome, useHome } from "./home";
import { useSettings } from "../ui/settings";
import type {
  CardAnswered,
  Clearing,
  ClearingAnalysis,
  ClearingRemedy,
  FoundGear,
  JobAsk,
  JobLog,
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
  Fall,
  TodayKit,
  RevisionChanges,
  Person,
  PackingTick,
  JobTemplate,
  IssuedAnswer,
  DayPlan,
  BriefAnswer,
  Analysis,
  Backup,
  Care,
  Catalogue,
  ComposedTackle,
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
  Plan,
  PlanChances,
  Policy,
  Remedy,
  Rose,
  Sight,
  Site,
  Species,
  StemProfile,
  TackleView,
  Units,
} from "./types";

/** A refusal in the server's words. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    /** Sentences by the path of the member they speak of. */
    readonly errors: Record<string, string[]> = {},
    readonly current?: Job,
    /** When to come again, where the server says so. */
    readonly again?: number,
  ) {
    super(message);
  }
}

/** Why something failed, in the server's words or in ours when it did not answer. */
export function sayWhy(error: unknown, unanswered = "Draklo does not answer."): string {
  return error instanceof Refusal ? (Object.values(error.errors)[0]?.[0] ?? error.message) : unanswered;
}

interface ProblemDetails {
  title?: string;
  detail?: string;
  errors?: Record<string, string[]>;
  current?: Job;
}

async function refusalOf(response: Response): Promise<Refusal> {
  const problem = (await response.json().catch(() => ({}))) as ProblemDetails;
  return new Refusal(
    response.status,
    problem.detail ?? problem.title ?? "Draklo did not answer as expected.",
    problem.errors,
    problem.current,
    Number(response.headers.get("retry-after")) || undefined,
  );
}

/** Which page this is, so that each has its own turn where the server works things off one by one. */
const page = crypto.getRandomValues(new Uint32Array(2)).join("-");

async function answerTo(path: string, init: RequestInit = {}): Promise<Response> {
  const response = await fetch(path, {
    ...init,
    headers: {
      ...(init.headers as Record<string, string> | undefined),
      "x-draklo-client": page,
      "x-draklo-who": encodeURIComponent(useSettings.getState().who),
    },
  });
  if (useHome.getState().away) useHome.setState({ away: false });
  if (!response.ok) throw await refusalOf(response);
  return response;
}

async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  const response = await answerTo(path, init);
  return (response.status === 204 ? undefined : await response.json()) as T;
}

/** For what waits its turn at the server: when too much waits already, it is said on the screen and asked again. */
async function askInTurn<T>(path: string, init: RequestInit, signal: AbortSignal | undefined): Promise<T> {
  for (;;) {
    try {
      const answer = await ask<T>(path, { ...init, ...(signal && { signal }) });
      useBusy.setState({ text: null });
      return answer;
    } catch (error) {
      if (!(error instanceof Refusal) || error.status !== 503 || error.again === undefined) {
        useBusy.setState({ text: null });
        throw error;
      }
      useBusy.setState({ text: error.message });
      await new Promise((again) => setTimeout(again, (error.again ?? 1) * 1000));
      if (signal?.aborted) {
        useBusy.setState({ text: null });
        throw error;
      }
    }
  }
}

interface Near {
  /** Takes long: in this browser it gets a worker of its own. */
  heavy?: boolean;
  signal?: AbortSignal | undefined;
}

/** After so long without an answer to what follows a hand, nobody is there. */
const patienceMs = 1500;

/** A question about a plan: the server answers while it is there, and the core in this browser where it is not. */
async function askNear<T>(path: string, body: unknown, { heavy = false, signal }: Near = {}): Promise<T> {
  const { ready, away } = useHome.getState();
  if (ready && away) return here<T>(path, body, heavy);
  if (heavy) return orHere(askInTurn<T>(path, send("POST", body), signal), path, body, heavy);
  const signals = [...(signal ? [signal] : []), ...(ready ? [AbortSignal.timeout(patienceMs)] : [])];
  const request: RequestInit = { ...send("POST", body), priority: "high", signal: AbortSignal.any(signals) };
  return orHere(ask<T>(path, request), path, body, heavy);
}

/** The server's answer; where none comes at all and the core runs here, its own. */
async function orHere<T>(asked: Promise<T>, path: string, body: unknown, heavy: boolean): Promise<T> {
  try {
    return await asked;
  } catch (error) {
    const silent = error instanceof TypeError || (error instanceof DOMException && error.name === "TimeoutError");
    if (!silent || !useHome.getState().ready) throw error;
    useHome.setState({ away: true });
    return here<T>(path, body, heavy);
  }
}

async function here<T>(path: string, body: unknown, heavy: boolean): Promise<T> {
  const { status, body: answer } = await answerHere(path, JSON.stringify(body), heavy);
  if (status === 200) return answer as T;
  const { title, detail, errors } = answer as ProblemDetails;
  throw new Refusal(status, detail ?? title ?? "Draklo did not answer as expected.", errors);
}

/** Starts the core in this browser, with what it must know of the locker; after it, live figures need no server. */
export async function bringHome(units: Units, plan: Plan): Promise<void> {
  try {
    const told = await answerTo(`/api/locker/standings?units=${units}`);
    await knowStandings(units, await told.text());
  } catch {
    // Without the server, what was told last holds.
  }
  await startHome(JSON.stringify(plan));
}

function send(method: string, body?: unknown, headers: Record<string, string> = {}): RequestInit {
  return body === undefined
    ? { method, headers }
    : { method, headers: { "content-type": "application/json", ...headers }, body: JSON.stringify(body) };
}

export interface JobContent {
  name: string;
  place: string;
  plannedOn?: string | undefined;
  plan: Plan;
}

export const api = {
  catalogue: () => ask<Catalogue>("/api/catalogue"),
  jobs: async (units: Units, offset: number, limit: number, asked: Partial<JobAsk> = {}): Promise<JobPage> => {
    const terms = Object.entries(asked)
      .filter(([, v]) => v !== "")
      .map(([k, v]) => `&${k}=${encodeURIComponent(v)}`)
      .join("");
    const response = await answerTo(`/api/jobs?units=${units}&offset=${offset}&limit=${limit}${terms}`);
    return {
      jobs: (await response.json()) as JobEntry[],
      total: Number(response.headers.get("x-total")),
    };
  },
  job: (id: string) => ask<Job>(`/api/jobs/${id}`),
  begin: (from: { like?: string; template?: string; clearing?: boolean }) => ask<Job>("/api/jobs", send("POST", from)),
  create: (content: JobContent) => ask<Job>("/api/jobs", send("POST", content)),
  save: (id: string, revision: number, content: JobContent, keepalive = false) =>
    ask<Job>(`/api/jobs/${id}`, { ...send("PUT", content, { "if-match": `"${revision}"` }), keepalive }),
  duplicate: (id: string) => ask<Job>(`/api/jobs/${id}/duplicate`, send("POST")),
  remove: (id: string) => ask<undefined>(`/api/jobs/${id}`, send("DELETE")),
  restore: (id: string) => ask<Job>(`/api/jobs/${id}/restore`, send("POST")),
  importPlan: (file: File) =>
    ask<Job>("/api/jobs/import", { method: "POST", headers: { "content-type": "application/json" }, body: file }),
  revisions: (id: string) => ask<KeptRevision[]>(`/api/jobs/${id}/revisions`),
  revision: (id: string, number: number) => ask<Job>(`/api/jobs/${id}/revisions/${number}`),
  compareRevisions: (id: string, from: number, to: number, units: Units) =>
    ask<RevisionChanges>(`/api/jobs/${id}/revisions/${from}/changes/${to}?units=${units}`),
  importJob: (file: File) =>
    ask<Job>("/api/jobs/archives", { method: "POST", headers: { "content-type": "application/zip" }, body: file }),
  people: () => ask<Person[]>("/api/crew"),
  keepPerson: (person: Person) => ask<Person>(`/api/crew/${person.id}`, send("PUT", person)),
  dropPerson: (id: string) => ask<undefined>(`/api/crew/${id}`, send("DELETE")),
  peopleWithPin: () => ask<string[]>("/api/crew-pins"),
  setPin: (id: string, pin: string, old: string) =>
    ask<undefined>(`/api/crew/${id}/pin`, send("PUT", old === "" ? { pin } : { pin, old })),
  templates: () => ask<JobTemplate[]>("/api/templates"),
  keepTemplate: (template: JobTemplate) => ask<JobTemplate>(`/api/templates/${template.id}`, send("PUT", template)),
  dropTemplate: (id: string) => ask<undefined>(`/api/templates/${id}`, send("DELETE")),
  kits: () => ask<TodayKit[]>("/api/kits"),
  keepKit: (kit: TodayKit) => ask<TodayKit>(`/api/kits/${kit.id}`, send("PUT", kit)),
  brief: (id: string, units: Units) => ask<BriefAnswer>(`/api/jobs/${id}/brief?units=${units}`),
  issuedBrief: (id: string, number: number) => ask<IssuedAnswer>(`/api/jobs/${id}/briefs/${number}`),
  sign: (id: string, units: Units, signature: { name: string; pin: string; lead?: string; fingerprint: string }) =>
    ask<BriefAnswer>(`/api/jobs/${id}/signatures?units=${units}`, send("POST", signature)),
  issue: (id: string, units: Units, lead: { name: string; pin: string; fingerprint: string }) =>
    ask<BriefAnswer>(`/api/jobs/${id}/briefs?units=${units}`, send("POST", lead)),
  tick: (id: string, tick: { piece: string; out?: boolean; back?: boolean }) =>
    ask<PackingTick[]>(`/api/jobs/${id}/packing`, send("POST", tick)),
  fall: (plan: Plan, haulMps: number, samples: number, units: Units, signal?: AbortSignal) =>
    askNear<Fall>(`/api/fall?aim=true&haulSpeedMps=${haulMps}&samples=${samples}&units=${units}`, plan, {
      heavy: samples > 0,
      signal,
    }),
  day: (plan: Plan, on: string | undefined, units: Units, signal?: AbortSignal) =>
    ask<DayPlan>(`/api/day?units=${units}${on === undefined ? "" : `&on=${on}`}`, {
      ...send("POST", plan),
      ...(signal && { signal }),
    }),
  takeRevision: (id: string, number: number) => ask<Job>(`/api/jobs/${id}/revisions/${number}/take`, send("POST")),
  rose: (plan: Plan, step: number, signal?: AbortSignal) =>
    askNear<Rose>(`/api/rose?step=${step}`, plan, { heavy: true, signal }),
  stem: (plan: Plan, line: number) => askNear<StemProfile>(`/api/stem?line=${line}`, plan),
  tackle: (plan: Plan, line: number, units: Units) =>
    askNear<TackleView>(`/api/tackle/view?line=${line}&units=${units}`, plan),
  chances: (plan: Plan, samples: number, units: Units, signal?: AbortSignal) =>
    askNear<PlanChances>(`/api/chances?samples=${samples}&seed=1&units=${units}`, plan, { heavy: true, signal }),
  remedies: (plan: Plan, link: string, units: Units, signal?: AbortSignal) =>
    askNear<Remedy[]>(`/api/remedies?link=${encodeURIComponent(link)}&units=${units}`, plan, { heavy: true, signal }),
  siteFile: async (plan: Plan): Promise<Blob> => {
    return (await answerTo("/api/site/geojson", send("POST", plan))).blob();
  },
  importSite: (site: Site, file: unknown) => ask<Site>("/api/site/import", send("POST", { site, file })),
  reading: (plan: Plan, sight: Sight, lookingDeg = 0) =>
    ask<{ instrument: string; value: number }>("/api/instruments/reading", send("POST", { plan, sight, lookingDeg })),
  forecast: (day: string) => ask<Forecast>(`/api/forecast?day=${day}`),
  keepSpecies: (species: Species) => ask<unknown>(`/api/species/${species.id}`, send("PUT", species)),
  dropSpecies: (id: string) => ask<undefined>(`/api/species/${id}`, send("DELETE")),
  locker: (units: Units) => ask<Locker>(`/api/locker?units=${units}`),
  gear: (id: string, units: Units) => ask<GearDetail>(`/api/locker/items/${id}?units=${units}`),
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
  compose: (tackle: OwnTackle["tackle"], contactId: string) =>
    askNear<ComposedTackle>(`/api/tackle/compose?contactId=${encodeURIComponent(contactId)}`, tackle),
  tackles: () => ask<OwnTackle[]>("/api/tackles"),
  keepTackle: (own: OwnTackle) => ask<OwnTackle>(`/api/tackles/${own.id}`, send("PUT", own)),
  dropTackle: (id: string) => ask<undefined>(`/api/tackles/${id}`, send("DELETE")),
  policies: () => ask<Policy[]>("/api/policies"),
  keepPolicy: (policy: Policy) => ask<Policy>(`/api/policies/${policy.id}`, send("PUT", policy)),
  dropPolicy: (id: string) => ask<undefined>(`/api/policies/${id}`, send("DELETE")),
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
  pulling: (id: string, units: Units) => ask<Pulling>(`/api/jobs/${id}/pulling?units=${units}`),
  addDayEntry: (id: string, entry: NewEntry & { key: string }, units: Units) =>
    ask<Pulling>(`/api/jobs/${id}/pulling/entries?units=${units}`, send("POST", entry)),
  changeOnTheDay: (id: string, change: TheChange, units: Units) =>
    ask<ChangeAnswer>(`/api/jobs/${id}/pulling/change?units=${units}`, send("POST", change)),
  trace: (id: string, spans: number) => ask<TraceView[]>(`/api/jobs/${id}/pulling/trace?spans=${spans}`),
  jobNames: () => ask<JobNames>("/api/jobs/named"),
  year: (year: number) => ask<YearAnswer>(`/api/years/${year}`),
  log: (id: string) => ask<LogAnswer>(`/api/jobs/${id}/log`),
  keepLog: (id: string, revision: number, log: JobLog, units: Units) =>
    ask<LogAnswer>(`/api/jobs/${id}/log?units=${units}`, send("PUT", log, { "if-match": `"${revision}"` })),
  nearMisses: () => ask<NearMissEntry[]>("/api/near-misses"),
  keepPicture: (picture: Blob) =>
    ask<Picture>("/api/pictures", { method: "POST", headers: { "content-type": picture.type }, body: picture }),
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
  register: (units: Units) => ask<RegisterEntry[]>(`/api/locker/register?units=${units}`),
  analyseClearing: (plan: Plan, units: Units) => askNear<ClearingAnalysis>(`/api/clearing?units=${units}`, plan),
  clearingRemedies: (plan: Plan, units: Units, signal?: AbortSignal) =>
    askNear<ClearingRemedy[]>(`/api/clearing/remedies?units=${units}`, plan, { heavy: true, signal }),
  clearingSection: (plan: Plan, units: Units) =>
    askNear<Clearing["ground"]>(`/api/clearing/section?units=${units}`, plan),
  findClearingGear: (plan: Plan, units: Units, signal?: AbortSignal) =>
    askInTurn<FoundGear[]>(`/api/clearing/find?units=${units}`, send("POST", plan), signal),
  analyse: (plan: Plan, units: Units, workings: boolean) =>
    askNear<Analysis>(`/api/analysis?units=${units}&workings=${String(workings)}`, plan),
};
