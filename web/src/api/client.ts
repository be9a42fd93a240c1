import type {
  Analysis,
  Catalogue,
  ComposedTackle,
  CsvPreview,
  Forecast,
  GearDetail,
  GearEntry,
  GearItem,
  GearUse,
  Inspection,
  Job,
  JobEntry,
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
  );
}

async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  const response = await fetch(path, init);
  if (!response.ok) throw await refusalOf(response);
  return (response.status === 204 ? undefined : await response.json()) as T;
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
  jobs: (units: Units) => ask<JobEntry[]>(`/api/jobs?units=${units}`),
  job: (id: string) => ask<Job>(`/api/jobs/${id}`),
  begin: () => ask<Job>("/api/jobs", send("POST", {})),
  create: (content: JobContent) => ask<Job>("/api/jobs", send("POST", content)),
  save: (id: string, revision: number, content: JobContent, keepalive = false) =>
    ask<Job>(`/api/jobs/${id}`, { ...send("PUT", content, { "if-match": `"${revision}"` }), keepalive }),
  duplicate: (id: string) => ask<Job>(`/api/jobs/${id}/duplicate`, send("POST")),
  remove: (id: string) => ask<undefined>(`/api/jobs/${id}`, send("DELETE")),
  restore: (id: string) => ask<Job>(`/api/jobs/${id}/restore`, send("POST")),
  importPlan: (file: File) =>
    ask<Job>("/api/jobs/import", { method: "POST", headers: { "content-type": "application/json" }, body: file }),
  rose: (plan: Plan, step: number) => ask<Rose>(`/api/rose?step=${step}`, send("POST", plan)),
  stem: (plan: Plan, line: number) => ask<StemProfile>(`/api/stem?line=${line}`, send("POST", plan)),
  tackle: (plan: Plan, line: number, units: Units) =>
    ask<TackleView>(`/api/tackle/view?line=${line}&units=${units}`, send("POST", plan)),
  chances: (plan: Plan, samples: number, units: Units) =>
    ask<PlanChances>(`/api/chances?samples=${samples}&seed=1&units=${units}`, send("POST", plan)),
  remedies: (plan: Plan, link: string, units: Units) =>
    ask<Remedy[]>(`/api/remedies?link=${encodeURIComponent(link)}&units=${units}`, send("POST", plan)),
  siteFile: async (plan: Plan): Promise<Blob> => {
    const response = await fetch("/api/site/geojson", send("POST", plan));
    if (!response.ok) throw await refusalOf(response);
    return response.blob();
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
    ask<ComposedTackle>(`/api/tackle/compose?contactId=${encodeURIComponent(contactId)}`, send("POST", tackle)),
  tackles: () => ask<OwnTackle[]>("/api/tackles"),
  keepTackle: (own: OwnTackle) => ask<OwnTackle>(`/api/tackles/${own.id}`, send("PUT", own)),
  dropTackle: (id: string) => ask<undefined>(`/api/tackles/${id}`, send("DELETE")),
  policies: () => ask<Policy[]>("/api/policies"),
  keepPolicy: (policy: Policy) => ask<Policy>(`/api/policies/${policy.id}`, send("PUT", policy)),
  dropPolicy: (id: string) => ask<undefined>(`/api/policies/${id}`, send("DELETE")),
  analyse: (plan: Plan, units: Units, workings: boolean) =>
    ask<Analysis>(`/api/analysis?units=${units}&workings=${String(workings)}`, {
      ...send("POST", plan),
      priority: "high",
    }),
};
