import { shelf } from "../ui/shelf";
import { useBusy } from "../ui/busy";
import { useSettings } from "../ui/settings";
import type { Units } from "../units/units";
import type { HereAsk, HomeAnswer } from "./coreHere";
import { useHome } from "./home";
import { questions, type QuestionName } from "./questions";
import { Refusal } from "./refusal";
import { inReach, isSilence, outOfReach, speaks, unlessGone } from "./reach";
import type { AnswerOf, Job } from "./types";

interface ProblemDetails {
  title?: string;
  detail?: string;
  errors?: Record<string, string[]>;
  current?: Job;
}

/** Said on the window when the server no longer knows who this page speaks for. */
export const signedOutEvent = "draklo-signed-out";

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
export const page = crypto.getRandomValues(new Uint32Array(2)).join("-");

export async function answerTo(path: string, init: RequestInit = {}): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, {
      ...init,
      headers: {
        ...(init.headers as Record<string, string> | undefined),
        "x-draklo-client": page,
        "x-draklo-speaks": String(speaks),
        "x-draklo-who": encodeURIComponent(useSettings.getState().who),
      },
    });
  } catch (error) {
    if (isSilence(error)) outOfReach();
    throw error;
  }
  if (response.status === 426) {
    useHome.setState({ old: true });
    outOfReach();
  } else inReach();
  if (response.status === 401) window.dispatchEvent(new Event(signedOutEvent));
  if (!response.ok) throw await refusalOf(response);
  return response;
}

export async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  // Nobody waits in silence for something to be kept; a file takes as long as it takes.
  const writes = init?.method !== undefined && init.method !== "GET" && !(init.body instanceof Blob);
  const answer = answerTo(path, init);
  const response = await (writes ? unlessGone(answer, true) : answer);
  return (response.status === 204 ? undefined : await response.json()) as T;
}

/** For what waits its turn at the server: when too much waits already, it is said on the screen and asked again. */
export async function askInTurn<T>(path: string, init: RequestInit, signal: AbortSignal | undefined): Promise<T> {
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

/** After so long without an answer to what follows a hand, nobody is there; longer where the core here must start first. */
const patienceMs = 1500;
const patienceBeforeCoreMs = 8000;

/** A hand waits no longer than this for a server alone: at a weak signal its answers take half a second and more. */
const handMs = 60;

/** The server's answer, or, where that is late, whichever comes first. */
async function soonest<T>(served: Promise<T>, own: () => Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<undefined>((go) => {
    timer = setTimeout(go, handMs);
  });
  const inTime = await Promise.race([served.then((answer) => ({ answer })), late]).finally(() => {
    clearTimeout(timer);
  });
  if (inTime) return inTime.answer;
  try {
    return await Promise.any([served, own()]);
  } catch (both) {
    throw (both as AggregateError).errors[0];
  }
}

/** What a question's address holds beside the document; what is left out is as usual. */
export type With<N extends QuestionName> = {
  [P in keyof (typeof questions)[N]["usual"]]?: P extends "units" ? Units : Given<(typeof questions)[N]["usual"][P]>;
};

type Given<T> = T extends boolean ? boolean : T extends number ? number : T extends string ? string : number | string;

/** A question's path with what is asked beside the document. */
export function pathOf<N extends QuestionName>(name: N, asked: With<N>): string {
  const given = Object.entries(asked).filter(([, value]) => value !== undefined) as [
    string,
    string | number | boolean,
  ][];
  const query = given.map(([key, value]) => `${key}=${encodeURIComponent(String(value))}`).join("&");
  return query === "" ? questions[name].path : `${questions[name].path}?${query}`;
}

/** Whether a question takes long as it is asked. */
export function isHeavy<N extends QuestionName>(name: N, asked: With<N>): boolean {
  const { heavy } = questions[name];
  if (typeof heavy === "boolean") return heavy;
  return Number((asked as Record<string, unknown>)[heavy] ?? 0) > 0;
}

/** A question about a document: the server answers while it is there, and the core in this browser where it is not. */
export async function askCore<N extends QuestionName>(
  name: N,
  body: unknown,
  asked: With<N> = {},
  signal?: AbortSignal,
): Promise<AnswerOf<N>> {
  type T = AnswerOf<N>;
  const path = pathOf(name, asked);
  const heavy = isHeavy(name, asked);
  const own = () => here<T>(path, body, { heavy, signal });
  const { ready, away } = useHome.getState();
  if (away) return own();
  if (heavy) return orHere(askInTurn<T>(path, send("POST", body), signal), own);
  const signals = [...(signal ? [signal] : []), AbortSignal.timeout(ready ? patienceMs : patienceBeforeCoreMs)];
  const request: RequestInit = { ...send("POST", body), priority: "high", signal: AbortSignal.any(signals) };
  const served = orHere(ask<T>(path, request), own);
  return ready ? soonest(served, own) : served;
}

/** The server's answer; where none comes at all, or the network hangs, this device's own. */
export async function orHere<T>(asked: Promise<T>, own: () => Promise<T>): Promise<T> {
  try {
    return await unlessGone(asked);
  } catch (error) {
    const old = error instanceof Refusal && error.status === 426;
    if (!isSilence(error) && !old) throw error;
    outOfReach();
    try {
      return await own();
    } catch (ours) {
      // Where this device cannot say either, what failed first is what is wrong.
      throw ours instanceof Refusal ? ours : error;
    }
  }
}

/** Asks the core in this browser. */
export async function here<T>(path: string, body: unknown, how: HereAsk = {}): Promise<T> {
  const core = await import("./coreHere");
  return readHere<T>(await core.answerHere(path, JSON.stringify(body), how));
}

/** What the core in this browser answered, refusals as the server's. */
export function readHere<T>({ status, body: answer }: HomeAnswer): T {
  if (status === 200) return answer as T;
  const { title, detail, errors } = answer as ProblemDetails;
  throw new Refusal(status, detail ?? title ?? "Draklo did not answer as expected.", errors);
}

/** Reads something that this device keeps as it was last read, for when the server is offline. */
export async function askKept<T>(path: string, signal?: AbortSignal): Promise<T> {
  const own = async (): Promise<T> => {
    const kept = await shelf.answer(path);
    if (kept === undefined) throw new Error("not kept here");
    return kept as T;
  };
  const asked = async (): Promise<T> => {
    const answer = await ask<T>(path, signal ? { signal } : {});
    void shelf.keepAnswer(path, answer);
    return answer;
  };
  if (useHome.getState().away) {
    const kept = await shelf.answer(path);
    if (kept !== undefined) return kept as T;
  }
  return orHere(asked(), own);
}

export function send(method: string, body?: unknown, headers: Record<string, string> = {}): RequestInit {
  return body === undefined
    ? { method, headers }
    : { method, headers: { "content-type": "application/json", ...headers }, body: JSON.stringify(body) };
}
