import { useQuery } from "@tanstack/react-query";
import { api } from "../api/client";
import type { Line, Plan, PlanSet } from "../api/types";
import { withProvenance } from "../state/store";

type Pull = NonNullable<PlanSet["pull"]>;
type Crew = NonNullable<PlanSet["crew"]>;

/** What the crew puts into a plan with one choice. */
export function useSets() {
  return useQuery({ queryKey: ["sets"], queryFn: api.sets, staleTime: 30_000, retry: false });
}

/** Parts of a line that come with what it is pulled with; seat and anchor are the tree's. */
const parts = ["rope", "joined", "knotId", "tie", "tackle", "puller", "limiter"] as const;

/** The plan with one line pulled so: whoever chooses the set has confirmed all that belongs to it. */
export function withPull(plan: Plan, at: number, pull: Pull): Plan {
  const lines = plan.lines.map((line, i): Line => {
    if (i !== at) return line;
    const { sling, ...taken } = pull;
    const anchor = sling ? { ...line.anchor, sling } : line.anchor;
    // Where they stand is the place's, not the set's.
    const next: Line = { ...line, ...taken, anchor, puller: { ...taken.puller, place: line.puller.place } };
    if (!taken.joined) delete next.joined;
    if (!taken.limiter) delete next.limiter;
    if (!next.puller.place) delete next.puller.place;
    return next;
  });
  return confirmed({ ...plan, lines }, [...parts.map((p) => `lines[${at}].${p}`), `lines[${at}].anchor.sling`]);
}

export function pullOf(line: Line): Pull {
  const { rope, knotId, tie, joined, tackle, puller, limiter } = line;
  const here = { ...puller };
  delete here.place;
  const { sling } = line.anchor;
  return {
    rope,
    knotId,
    tie,
    tackle,
    puller: here,
    ...(joined && { joined }),
    ...(limiter && { limiter }),
    ...(sling && { sling }),
  };
}

/** Whether a line is pulled so as it stands. */
export const isPulledBy = (line: Line, pull: Pull): boolean =>
  line.rope.itemId === pull.rope.itemId &&
  line.rope.breakingStrengthN === pull.rope.breakingStrengthN &&
  line.tackle.systemId === pull.tackle.systemId &&
  line.puller.kind === pull.puller.kind &&
  (pull.puller.kind !== "people" || line.puller.count === pull.puller.count) &&
  line.puller.machineN === pull.puller.machineN;

/** The plan with these people, their signs and what help goes with them; what hangs on the place stays. */
export function withCrew(plan: Plan, crew: Crew): Plan {
  const said = Object.fromEntries(Object.entries(crew.help).filter(([, value]) => value !== undefined));
  return {
    ...plan,
    crew: crew.people,
    signals: crew.signals.length > 0 ? crew.signals : plan.signals,
    help: { ...plan.help, ...said },
  };
}

export function crewOf(plan: Plan): Crew {
  const { caller, number, kitAt } = plan.help;
  return {
    people: plan.crew.map((person) => {
      const anywhere = { ...person };
      delete anywhere.place;
      delete anywhere.lineId;
      delete anywhere.shelter;
      return anywhere;
    }),
    signals: plan.signals,
    help: { ...(caller && { caller }), ...(number && { number }), ...(kitAt && { kitAt }) },
  };
}

/** The plan with an anchor as it was kept. */
export function withAnchor(plan: Plan, at: number, anchor: NonNullable<PlanSet["anchor"]>): Plan {
  const lines = plan.lines.map((line, i) => (i === at ? { ...line, anchor } : line));
  return confirmed({ ...plan, lines }, [`lines[${at}].anchor`]);
}

const confirmed = (plan: Plan, paths: string[]): Plan =>
  paths.reduce((p, path) => withProvenance(p, path, undefined), plan);
