import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Job, Plan } from "../api/types";

interface Asked {
  id: string;
  revision: number;
  name: string;
  answer: (job: Job) => void;
  fail: (e: unknown) => void;
}
const asked: Asked[] = [];
const created: string[] = [];
const removed: string[] = [];
type Merge = { was?: Plan; mine: Plan; theirs: Plan; settled: Record<string, string> };
const merges: Merge[] = [];
/** As the core does it, for a plan that has a name and a place. */
function together({ was, mine, theirs, settled }: Merge) {
  const clashes: { path: string }[] = [];
  let [fromMine, fromTheirs] = [0, 0];
  const member = (path: "name" | "place") => {
    if (mine[path] === theirs[path]) return mine[path];
    if (was?.[path] === theirs[path]) {
      fromMine++;
      return mine[path];
    }
    if (was?.[path] === mine[path]) {
      fromTheirs++;
      return theirs[path];
    }
    if (settled[path] === undefined) clashes.push({ path });
    return settled[path] === "mine" ? mine[path] : theirs[path];
  };
  const document = { ...theirs, name: member("name"), place: member("place") };
  return { document: clashes.length > 0 ? undefined : document, clashes, fromMine, fromTheirs };
}
vi.mock("../api/client", async () => ({
  ...(await vi.importActual<object>("../api/refusal")),
  api: {
    save: (id: string, revision: number, content: { name: string }) =>
      new Promise((answer, fail) => {
        asked.push({ id, revision, name: content.name, answer, fail });
      }),
    remove: (id: string) => {
      removed.push(id);
      return Promise.resolve();
    },
    mergePlans: (merge: Merge) => {
      merges.push(merge);
      return Promise.resolve(together(merge));
    },
    create: (content: { name: string }) => {
      created.push(content.name);
      return Promise.resolve({ id: "copy" });
    },
  },
}));
const kept = new Map<string, string>();
vi.stubGlobal("localStorage", {
  getItem: (k: string) => kept.get(k) ?? null,
  setItem: (k: string, v: string) => {
    kept.set(k, v);
  },
  removeItem: (k: string) => {
    kept.delete(k);
  },
});
vi.spyOn(Object, "keys").mockImplementation((of) =>
  of === globalThis.localStorage ? [...kept.keys()] : Reflect.ownKeys(of).filter((k) => typeof k === "string"),
);
vi.stubGlobal("window", { addEventListener: () => undefined });
vi.useFakeTimers();

const { closeJob, comeIn, keepBoth, openJob, settle, sendLeftOver, takeTheirs, useSaving } = await import("./autosave");
const { useSheet } = await import("./store");
const { Refusal } = await import("../api/refusal");

const job = (revision: number, name: string): Job =>
  ({
    id: "j",
    revision,
    savedAt: `at ${revision}`,
    name,
    place: "",
    plan: { guesses: [], follows: [], lines: [] } as unknown as Plan,
  }) as unknown as Job;
const rename = (name: string) => {
  useSheet.getState().edit((d) => ({ ...d, name }));
};
const pause = () => vi.advanceTimersByTimeAsync(400);
const last = () => asked[asked.length - 1];

beforeEach(async () => {
  closeJob();
  for (const one of asked.splice(0)) one.answer(job(1, "end"));
  await vi.advanceTimersByTimeAsync(5000);
  asked.length = 0;
  created.length = 0;
  kept.clear();
  openJob(job(3, "Lime"));
});

describe("saving as one goes", () => {
  it("is saved again when a change is undone before it was sent", () => {
    openJob(job(1, "first"));
    rename("second");
    expect(useSaving.getState().state.kind).toBe("saving");
    useSheet.getState().undo();
    expect(useSaving.getState().state.kind).toBe("saved");
    vi.advanceTimersByTime(5000);
    expect(asked).toHaveLength(0);
    expect([...kept.keys()].filter((k) => k.includes("j"))).toHaveLength(0);
  });

  it("waits for a pause, names the revision that the change began from, and drops its draft once it is acknowledged", async () => {
    rename("Lim");
    rename("Lime by the boathouse");
    expect(useSaving.getState().state.kind).toBe("saving");
    expect(kept.size).toBe(0);
    await vi.advanceTimersByTimeAsync(200);
    expect(kept.size).toBe(1);
    await pause();
    expect(asked.map((a) => [a.id, a.revision, a.name])).toEqual([["j", 3, "Lime by the boathouse"]]);
    last()?.answer(job(4, "Lime by the boathouse"));
    await pause();
    expect(useSaving.getState()).toMatchObject({ state: { kind: "saved" }, revision: 4, savedAt: "at 4" });
    expect(kept.size).toBe(0);
  });

  it("sends what was changed meanwhile with the new revision", async () => {
    rename("one");
    await pause();
    rename("two");
    await pause();
    expect(asked).toHaveLength(1);
    last()?.answer(job(4, "one"));
    await pause();
    await pause();
    expect([last()?.revision, last()?.name]).toEqual([4, "two"]);
    expect(kept.size).toBe(1);
  });

  it("tries again while the server is away", async () => {
    rename("one");
    await pause();
    last()?.fail(new TypeError("network"));
    await vi.advanceTimersByTimeAsync(10);
    expect(useSaving.getState().state.kind).toBe("offline");
    expect(kept.size).toBe(1);
    await vi.advanceTimersByTimeAsync(1600);
    expect(asked).toHaveLength(2);
    last()?.answer(job(4, "one"));
    await pause();
    expect(useSaving.getState().state.kind).toBe("saved");
  });

  it("waits longer each time while saves fail, says since when and how much waits, and goes on until one is taken", async () => {
    rename("one");
    await pause();
    const since = Date.now();
    const gaps: number[] = [];
    for (let i = 0; i < 7; i++) {
      last()?.fail(new Refusal(507, "The disk is full."));
      await vi.advanceTimersByTimeAsync(0);
      const state = useSaving.getState().state;
      expect(state).toMatchObject({ kind: "offline", text: "The disk is full." });
      if (state.kind === "offline") expect(state.since).toBeLessThanOrEqual(since + 1);
      rename(`one ${i}`);
      const count = asked.length;
      const from = Date.now();
      while (asked.length === count) await vi.advanceTimersByTimeAsync(50);
      gaps.push(Math.round((Date.now() - from) / 500) / 2);
    }
    expect(gaps).toEqual([1.5, 3, 6, 12, 24, 30, 30]);
    expect(useSaving.getState().state).toMatchObject({ kind: "offline", waiting: 8 });
    last()?.answer(job(4, "one 6"));
    await pause();
    expect(useSaving.getState().state.kind).toBe("saved");
  });

  it("does not send again what was refused until it has been changed", async () => {
    rename("");
    await pause();
    last()?.fail(new Refusal(422, "no", { name: ["Give it a name."] }));
    await vi.advanceTimersByTimeAsync(5000);
    expect(useSaving.getState().state).toEqual({ kind: "refused", text: "Give it a name." });
    expect(asked).toHaveLength(1);
    rename("Lime");
    await pause();
    expect(asked).toHaveLength(2);
  });
});

describe("two who change the same job", () => {
  const theirs = job(5, "Theirs");
  beforeEach(async () => {
    rename("Mine");
    await pause();
    last()?.fail(new Refusal(412, "stale", {}, theirs));
    await vi.advanceTimersByTimeAsync(5000);
    expect(useSaving.getState().state.kind).toBe("conflict");
    expect(asked).toHaveLength(1);
  });

  it("can take the other version, and undo that", () => {
    takeTheirs(theirs);
    expect(useSheet.getState().document?.name).toBe("Theirs");
    expect(useSaving.getState()).toMatchObject({ state: { kind: "saved" }, revision: 5 });
    expect(kept.size).toBe(0);
    useSheet.getState().undo();
    expect(useSheet.getState().document?.name).toBe("Mine");
  });

  it("can keep their own over it, on top of the other", async () => {
    void settle(theirs, { name: "mine" });
    await vi.advanceTimersByTimeAsync(10);
    expect([last()?.revision, last()?.name]).toEqual([5, "Mine"]);
  });

  it("is asked again about what is not settled yet", async () => {
    await settle(theirs, {});
    expect(useSaving.getState().state).toMatchObject({ kind: "conflict", clashes: [{ path: "name" }] });
    expect(asked).toHaveLength(1);
  });

  it("is asked nothing more once the other gives way", async () => {
    comeIn(job(6, "Mine"));
    await vi.advanceTimersByTimeAsync(10);
    expect(useSaving.getState().state.kind).not.toBe("conflict");
    last()?.answer(job(7, "Mine"));
    await vi.advanceTimersByTimeAsync(10);
    expect(useSaving.getState().state.kind).toBe("saved");
    expect(useSheet.getState().document?.name).toBe("Mine");
  });

  it("is asked again beside what was saved since, and not by what was saved before", async () => {
    comeIn(job(6, "Third"));
    await vi.advanceTimersByTimeAsync(10);
    expect(useSaving.getState().state).toMatchObject({ kind: "conflict", theirs: { revision: 6, name: "Third" } });
    comeIn(job(5, "Theirs"));
    await vi.advanceTimersByTimeAsync(10);
    expect(useSaving.getState().state).toMatchObject({ kind: "conflict", theirs: { revision: 6 } });
  });

  it("can keep both", async () => {
    await keepBoth(theirs);
    expect(created).toEqual(["Mine, other version"]);
    expect(useSheet.getState().document?.name).toBe("Theirs");
  });
});

it("puts together what two changed in different places, and says how much came in", async () => {
  useSheet.getState().edit((d) => ({ ...d, place: "By the pond" }));
  await pause();
  last()?.fail(new Refusal(412, "stale", {}, job(5, "Renamed there")));
  await vi.advanceTimersByTimeAsync(10);
  expect(merges.at(-1)?.was?.name).toBe("Lime");
  expect([last()?.revision, last()?.name]).toEqual([5, "Renamed there"]);
  expect(useSheet.getState().document).toMatchObject({ name: "Renamed there", place: "By the pond" });
  expect(useSaving.getState().came).toEqual({ members: 1, savedAt: "at 5" });
  last()?.answer(job(6, "Renamed there"));
  await pause();
  expect(useSaving.getState()).toMatchObject({ state: { kind: "saved" }, revision: 6 });
});

describe("a save whose answer was lost", () => {
  beforeEach(async () => {
    rename("one");
    await pause();
    // The server takes it; nobody hears of it.
    last()?.fail(new TypeError("network"));
    await vi.advanceTimersByTimeAsync(10);
  });

  it("is found to be kept, and not saved twice", async () => {
    await vi.advanceTimersByTimeAsync(1600);
    last()?.fail(new Refusal(412, "stale", {}, job(4, "one")));
    await vi.advanceTimersByTimeAsync(5000);
    expect(asked).toHaveLength(2);
    expect(useSaving.getState()).toMatchObject({ state: { kind: "saved" }, revision: 4 });
    expect(kept.size).toBe(0);
  });

  it("is what goes on, and what was changed after it clashes with nothing", async () => {
    rename("two");
    await vi.advanceTimersByTimeAsync(1600);
    last()?.fail(new Refusal(412, "stale", {}, job(4, "one")));
    await vi.advanceTimersByTimeAsync(10);
    expect([last()?.revision, last()?.name]).toEqual([4, "two"]);
    last()?.answer(job(5, "two"));
    await pause();
    expect(useSaving.getState()).toMatchObject({ state: { kind: "saved" }, revision: 5 });
  });
});

it("opens with the change that was never acknowledged", () => {
  kept.set(
    "draklo.draft.j",
    JSON.stringify({
      revision: 2,
      document: { name: "Unsaved", place: "", plan: { guesses: [], follows: [], lines: [] } },
    }),
  );
  openJob(job(3, "Lime"));
  expect(useSheet.getState().document?.name).toBe("Unsaved");
  expect(useSaving.getState().revision).toBe(2);
  useSheet.getState().undo();
  expect(useSheet.getState().document?.name).toBe("Lime");
});

describe("a job that was only just begun", () => {
  it("goes again if nothing is entered, and stays once something is", async () => {
    removed.length = 0;
    openJob(job(1, "New job"), true);
    closeJob();
    expect(removed).toEqual(["j"]);
    openJob(job(1, "New job"), true);
    rename("Alder");
    await pause();
    last()?.answer(job(2, "Alder"));
    await pause();
    closeJob();
    openJob(job(3, "Old"), true);
    closeJob();
    openJob(job(1, "Reloaded"));
    closeJob();
    expect(removed).toEqual(["j"]);
  });
});

describe("what lies in the browser's own storage", () => {
  const draft = (name: string) =>
    JSON.stringify({ revision: 2, document: { name, place: "", plan: { guesses: [], follows: [], lines: [] } } });

  it.each(["", "{", "null", "7", '{"revision":1}', '{"revision":"2","document":{"name":"x"}}', '{"document":null}'])(
    "is not trusted: %s",
    (text) => {
      kept.set("draklo.draft.j", text);
      openJob(job(3, "Lime"));
      expect(useSheet.getState().document?.name).toBe("Lime");
      expect(kept.has("draklo.draft.j")).toBe(false);
    },
  );

  it("is sent when its job is not open, and stays when it cannot be", async () => {
    kept.set("draklo.draft.a", draft("A"));
    kept.set("draklo.draft.b", draft("B"));
    kept.set("draklo.units", "us");
    const sent = sendLeftOver();
    await vi.advanceTimersByTimeAsync(0);
    expect([last()?.id, last()?.revision, last()?.name]).toEqual(["a", 2, "A"]);
    last()?.answer(job(3, "A"));
    await vi.advanceTimersByTimeAsync(0);
    last()?.fail(new Refusal(507, "full"));
    expect(await sent).toBe(1);
    expect([...kept.keys()].sort()).toEqual(["draklo.draft.b", "draklo.units"]);
  });

  it("is kept under the tab's own name, and taken on by the tab that opens the job next", async () => {
    rename("mine");
    await vi.advanceTimersByTimeAsync(300);
    const own = [...kept.keys()].find((k) => k.startsWith("draklo.draft.j~"));
    expect(own).toBeDefined();
    kept.set("draklo.draft.k~closed", draft("K"));
    openJob({ ...job(2, "before"), id: "k" });
    expect(useSheet.getState().document?.name).toBe("K");
    expect([...kept.keys()].filter((k) => k.startsWith("draklo.draft.k"))).toEqual([own?.replace(".j~", ".k~")]);
  });
});
