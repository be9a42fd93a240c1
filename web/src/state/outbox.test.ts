import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Waiting } from "../ui/shelf";

const waiting: Waiting[] = [];
const leftBehind: unknown[] = [];
let joined: unknown;
const asked: { path: string; body: Record<string, unknown> }[] = [];
let answer: () => Promise<unknown> = () => Promise.resolve({});

vi.stubGlobal("localStorage", { getItem: () => null, setItem: () => undefined, removeItem: () => undefined });
vi.stubGlobal("window", { addEventListener: () => undefined });
const left: unknown[] = [];
vi.mock("../ui/shelf", () => ({
  alone: (_: string, work: () => Promise<void>) => work(),
  lookForTabs: () => Promise.resolve(),
  onDayElsewhere: () => undefined,
  shelf: {
    waiting: () => Promise.resolve([...waiting]),
    wait: (w: Waiting) => {
      const at = waiting.findIndex((x) => x.number === w.number);
      if (at >= 0) waiting[at] = w;
      else waiting.push(w);
      return Promise.resolve(true);
    },
    gone: (number: number) => {
      waiting.splice(
        waiting.findIndex((w) => w.number === number),
        1,
      );
      return Promise.resolve();
    },
    picture: () =>
      Promise.resolve({ hash: "h", picture: new Blob(["x"], { type: "image/png" }), keptAt: 0, sent: false }),
    keepPicture: () => Promise.resolve(true),
  },
  left: {
    read: (what: string) => (what === "day" && left.length > 0 ? left : null),
    write: (what: string, jobId: string, value: unknown) => {
      leftBehind.push([what, jobId, value]);
      return true;
    },
    drop: () => {
      left.length = 0;
    },
    jobs: (what: string) => (what === "day" && left.length > 0 ? ["j"] : []),
  },
}));
vi.mock("../api/along", () => ({ takeAlong: () => Promise.resolve() }));
vi.mock("../api/ask", () => ({
  send: (method: string, body?: unknown) => ({ method, body }),
  ask: (path: string, init: { body: Record<string, unknown> }) => {
    asked.push({ path, body: init.body });
    return answer();
  },
}));
const plans: { at: number; jobId: string; go: () => Promise<boolean> }[] = [];
const aside: unknown[] = [];
vi.mock("./autosave", () => ({
  leftOver: () => plans,
  sendAside: (jobId: string, draft: unknown) => {
    aside.push([jobId, draft]);
    return answer();
  },
}));
vi.mock("./session", () => ({ isLetIn: () => true }));
const created: unknown[] = [];
vi.mock("../api/client", () => ({
  api: {
    mergeLogs: () => Promise.resolve(joined),
    create: (document: unknown) => {
      created.push(document);
      return Promise.resolve({ id: "new" });
    },
    addDayEntry: (jobId: string, entry: Record<string, unknown>) => {
      asked.push({ path: `/api/jobs/${jobId}/entries`, body: entry });
      return answer();
    },
  },
}));

const { ageOf, agoOf, asNewJob, goHome, entrySent, sendAgain } = await import("./outbox");
const { Refusal } = await import("../api/refusal");
const { worksAs } = await import("../api/author");
const { restarted } = await import("./dayQueue");
type Session = Parameters<typeof worksAs>[0];
const signIn = (name: string) => {
  worksAs({ here: false, paired: true, name, role: "hauler", rights: [] } as unknown as Session);
};

const tick = (number: number, at = Date.now()): Waiting => ({
  number,
  kind: "tick",
  jobId: "j",
  at,
  words: "gear ticked",
  sends: { piece: `p${number}`, out: true },
});

beforeEach(() => {
  worksAs(null);
  restarted();
  left.length = 0;
  plans.length = 0;
  waiting.length = 0;
  asked.length = 0;
  answer = () => Promise.resolve({});
});

describe("how long ago", () => {
  const now = Date.UTC(2026, 10, 27, 12);
  it("is what lies between the two readings of one clock, however wrong that is", () => {
    expect(agoOf(now - 5_400_000, now)).toEqual({ agoS: 5400 });
    const years = 20 * 365 * 86_400_000;
    expect(agoOf(now - years - 60_000, now - years)).toEqual({ agoS: 60 });
  });
  it("is left out where the clock was set meanwhile, for then nobody knows", () => {
    expect(agoOf(now + 60_000, now)).toEqual({});
    expect(agoOf(now - 400 * 86_400_000, now)).toEqual({});
    expect(agoOf(NaN, now)).toEqual({});
    expect(ageOf(NaN, now)).toEqual({});
  });
  it("is not said of what was said just now", () => {
    const entry = { key: "k", kind: "stop", step: "brief", by: "Bo" } as const;
    expect(entrySent({ ...entry, at: new Date().toISOString() })).toEqual(entry);
    expect(entrySent({ ...entry, at: new Date(Date.now() - 60_000).toISOString() })).toEqual({ ...entry, agoS: 60 });
  });
});

describe("what waits to go home", () => {
  it("goes pictures first, for a log names them, and is let go once it is there", async () => {
    waiting.push(tick(1), { ...tick(2), kind: "picture", sends: { hash: "h" } }, tick(3));
    await goHome();
    expect(asked.map((a) => a.path)).toEqual(["/api/pictures", "/api/jobs/j/packing", "/api/jobs/j/packing"]);
    expect(waiting).toEqual([]);
  });
  it("says when it was done", async () => {
    waiting.push(tick(1, Date.now() - 120_000));
    await goHome();
    expect(asked[0]?.body).toMatchObject({ piece: "p1", agoS: 120 });
  });
  it("waits on where nobody answered, or the server cannot write just now", async () => {
    for (const error of [new TypeError("network"), new Refusal(507, "full"), new Refusal(426, "older")]) {
      waiting.splice(0, 9, tick(1));
      answer = () => Promise.reject(error);
      await goHome();
      expect(waiting).toMatchObject([{ number: 1 }]);
      expect(waiting[0]?.refused).toBeUndefined();
    }
  });
  it("stays with the reason where it was not taken, and is not sent again", async () => {
    waiting.push(tick(1), tick(2));
    answer = () => Promise.reject(new Refusal(422, "There is no such piece."));
    await goHome();
    expect(waiting.map((w) => w.refused)).toEqual(["There is no such piece.", "There is no such piece."]);
    asked.length = 0;
    await goHome();
    expect(asked).toEqual([]);
  });
});

describe("what nobody has said no to for good", () => {
  it("waits while nobody that may is signed in, and goes home once somebody is", async () => {
    for (const status of [401, 403, 429]) {
      waiting.splice(0, 9, tick(1));
      answer = () => Promise.reject(new Refusal(status, "not you"));
      await goHome();
      expect(waiting[0]?.refused).toBeUndefined();
      answer = () => Promise.resolve({});
      await goHome();
      expect(waiting).toEqual([]);
    }
  });
  it("waits for whoever did it, whoever else is signed in", async () => {
    waiting.push({ ...tick(1), by: "Bo" }, { ...tick(2), jobId: "other" });
    left.push({ key: "k1", kind: "stop", step: "brief", by: "Bo", author: "Bo", at: new Date().toISOString() });
    signIn("Runa");
    await goHome();
    expect(asked.map((a) => a.path)).toEqual(["/api/jobs/other/packing"]);
    expect(waiting).toMatchObject([{ number: 1, by: "Bo" }]);
    expect(left).toHaveLength(1);
    signIn("Bo");
    await goHome();
    expect(asked.map((a) => a.path)).toEqual(["/api/jobs/other/packing", "/api/jobs/j/packing", "/api/jobs/j/entries"]);
    expect(asked[2]?.body).toEqual({ key: "k1", kind: "stop", step: "brief", by: "Bo" });
    expect([waiting, left]).toEqual([[], []]);
  });
  it("goes home in the order in which it was done, and what follows something that waits, waits too", async () => {
    const now = Date.now();
    const order: string[] = [];
    let there = false;
    plans.push({ at: now - 2000, jobId: "j", go: () => Promise.resolve((order.push("plan"), there)) });
    waiting.push({ ...tick(1, now - 3000), kind: "sign" }, { ...tick(2, now - 1000), kind: "sign" });
    answer = () => Promise.resolve(order.push("sign"));
    await goHome();
    expect(order).toEqual(["sign", "plan"]);
    expect(waiting).toMatchObject([{ number: 2 }]);
    there = true;
    await goHome();
    expect(order).toEqual(["sign", "plan", "plan", "sign"]);
  });
  it("is sent again when somebody says so", async () => {
    waiting.push({ ...tick(1), refused: "There is no such piece." });
    await sendAgain(waiting[0] as Waiting);
    expect(asked).toHaveLength(1);
    expect(waiting).toEqual([]);
  });
  it("is kept as a new job where its own was deleted meanwhile", async () => {
    const draft = { revision: 3, document: { name: "Lime" } };
    waiting.push({ ...tick(1), kind: "plan", sends: draft });
    answer = () => Promise.reject(new Refusal(404, "There is no such job."));
    await goHome();
    expect(aside).toEqual([["j", draft]]);
    expect(waiting).toMatchObject([{ jobGone: true, refused: "There is no such job." }]);
    expect(await asNewJob(waiting[0] as Waiting)).toBe("new");
    expect(created).toEqual([{ name: "Lime" }]);
    expect(waiting).toEqual([]);
  });
});

describe("a log that comes home after another was saved", () => {
  const mine = { revision: 3, was: { broke: "" }, log: { broke: "a sling" } };
  const theirs = { revision: 4, log: { stage: "done" } };
  /** Refused as stale at first; what comes after it is taken. */
  const stale = () => {
    let first = true;
    answer = () => {
      const refused = first;
      first = false;
      return refused ? Promise.reject(new Refusal(412, "stale", {}, theirs as never)) : Promise.resolve({});
    };
  };
  beforeEach(() => {
    leftBehind.length = 0;
    waiting.push({ number: 1, kind: "log", jobId: "j", at: Date.now(), words: "the log", sends: mine });
    stale();
  });

  it("is put together with it where they do not touch", async () => {
    joined = { document: { broke: "a sling", stage: "done" }, clashes: [] };
    await goHome();
    expect(asked.map((a) => a.path)).toEqual(["/api/jobs/j/log?units=metric", "/api/jobs/j/log?units=metric"]);
    expect(asked[1]?.body).toEqual({ broke: "a sling", stage: "done" });
    expect(waiting).toEqual([]);
  });

  it("is left to the log's page, with what both say otherwise, where they do", async () => {
    joined = { document: null, clashes: [{ name: "What broke" }, { name: "Knots" }] };
    await goHome();
    expect(waiting[0]?.refused).toContain("both say otherwise of: What broke, Knots");
    expect(leftBehind).toEqual([["log", "j", mine]]);
    expect(asked).toHaveLength(1);
  });
});
