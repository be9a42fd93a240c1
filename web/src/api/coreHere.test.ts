import { beforeEach, describe, expect, it, vi } from "vitest";

interface Fake {
  ended: boolean;
  error?: (event: { message: string }) => void;
  /** What it was asked, in order. */
  heard: string[];
  answers: { give: (text: string) => void; fail: (why: unknown) => void }[];
  progress?: (done: number, total: number) => void;
}

const workers: Fake[] = [];
/** How the next question about the locker goes. */
let knows = true;

class FakeWorker {
  ended = false;
  heard: string[] = [];
  answers: Fake["answers"] = [];
  error?: Fake["error"];
  constructor() {
    workers.push(this as unknown as Fake);
  }
  addEventListener(_: string, error: (event: { message: string }) => void): void {
    this.error = error;
  }
  terminate(): void {
    this.ended = true;
  }
}

vi.stubGlobal("Worker", FakeWorker);
vi.stubGlobal("document", { documentElement: { dataset: {} } });
vi.mock("comlink", () => ({
  proxy: (what: unknown) => what,
  wrap: (worker: Fake) => {
    const waits = (what: string) =>
      new Promise((give, fail) => {
        worker.heard.push(what);
        worker.answers.push({ give, fail });
      });
    return {
      know: (locker: string) => {
        worker.heard.push(`know ${locker}`);
        return knows ? Promise.resolve() : Promise.reject(new Error("a locker that cannot be read"));
      },
      answer: (path: string, query: string, body: string, progress?: Fake["progress"]) => {
        if (progress) worker.progress = progress;
        return waits(`${path}?${query} ${body}`);
      },
      hearCell: (line: string, isPacket: boolean, sent: string) => waits(`${line} ${String(isPacket)} ${sent}`),
    };
  },
}));

type Module = typeof import("./coreHere") & typeof import("./home");
let home: Module;

const turns = async () => {
  for (let i = 0; i < 10; i++) await Promise.resolve();
};
const at = (index: number): Fake => workers[index] as Fake;
const give = (index: number, text: string) => {
  at(index).answers.shift()?.give(text);
};

beforeEach(async () => {
  workers.length = 0;
  knows = true;
  vi.resetModules();
  home = { ...(await import("./coreHere")), ...(await import("./home")) };
});

describe("the core in the browser", () => {
  it("is started once, and answers with a status and a body", async () => {
    const first = home.answerHere("/api/stem?line=1", "{}");
    const second = home.answerHere("/api/rose", "{}");
    await turns();
    expect(workers).toHaveLength(1);
    expect(at(0).heard).toEqual(["/api/stem?line=1 {}", "/api/rose? {}"]);
    give(0, '200{"a":1}');
    give(0, '400{"title":"no"}');
    expect(await first).toEqual({ status: 200, body: { a: 1 } });
    expect(await second).toEqual({ status: 400, body: { title: "no" } });
    expect(home.useHome.getState().ready).toBe(true);
  });

  it("has a second worker for what takes long, and that one makes nothing ready", async () => {
    const slow = home.answerHere("/api/chances", "{}", { heavy: true });
    const quick = home.answerHere("/api/stem", "{}");
    await turns();
    expect(workers).toHaveLength(2);
    give(0, "200[]");
    await slow;
    expect(home.useHome.getState().ready).toBe(false);
    give(1, "200[]");
    await quick;
    expect(home.useHome.getState().ready).toBe(true);
  });

  it("is ready once it has worked the plan out, and not before", async () => {
    const started = home.startHome("{plan}");
    await turns();
    expect(home.useHome.getState().ready).toBe(false);
    void home.startHome("{other}");
    expect(at(0).heard).toEqual(["/api/analysis?workings=false {plan}"]);
    give(0, "200{}");
    await started;
    expect(home.useHome.getState().ready).toBe(true);
    expect(workers).toHaveLength(1);
  });

  it("knows the locker before it is asked anything, and hears of a new one once", async () => {
    await home.know("{one}");
    expect(workers).toHaveLength(0);
    const asked = home.answerHere("/api/stem", "{}");
    await turns();
    expect(at(0).heard).toEqual(["know {one}", "/api/stem? {}"]);
    give(0, "200{}");
    await asked;
    await home.know("{one}");
    await home.know("{two}");
    expect(at(0).heard.slice(2)).toEqual(["know {two}"]);
  });
});

describe("a core that fails", () => {
  it("is let go, and the next question begins with a fresh one", async () => {
    const failing = home.answerHere("/api/stem", "{}");
    await turns();
    at(0).answers.shift()?.fail(new TypeError("the core is not on this device"));
    await expect(failing).rejects.toThrow("not on this device");
    expect(at(0).ended).toBe(true);
    const next = home.answerHere("/api/stem", "{}");
    await turns();
    expect(workers).toHaveLength(2);
    give(1, "200{}");
    expect((await next).status).toBe(200);
  });

  it("keeps nobody waiting: who asked beside the one that failed hears of it too", async () => {
    const one = home.answerHere("/api/stem", "{}");
    const other = home.answerHere("/api/rose", "{}");
    await turns();
    at(0).answers.shift()?.fail(new Error("out of memory"));
    await expect(one).rejects.toThrow("out of memory");
    await expect(other).rejects.toThrow("out of memory");
  });

  it("is no longer ready, until it has answered again", async () => {
    const first = home.answerHere("/api/stem", "{}");
    await turns();
    give(0, "200{}");
    await first;
    const second = home.answerHere("/api/stem", "{}");
    await turns();
    at(0).error?.({ message: "the worker stopped" });
    await expect(second).rejects.toThrow("the worker stopped");
    expect(home.useHome.getState().ready).toBe(false);
    const third = home.answerHere("/api/stem", "{}");
    await turns();
    give(1, "200{}");
    await third;
    expect(home.useHome.getState().ready).toBe(true);
  });

  it("at its start leaves the page to the server, and is tried again at the next job", async () => {
    const started = home.startHome("{plan}");
    await turns();
    at(0).answers.shift()?.fail(new Error("no WebAssembly"));
    await started;
    expect(home.useHome.getState().ready).toBe(false);
    const again = home.startHome("{plan}");
    await turns();
    expect(workers).toHaveLength(2);
    give(1, "200{}");
    await again;
    expect(home.useHome.getState().ready).toBe(true);
  });

  it("does not answer without the locker that it was told of", async () => {
    await home.know("{broken}");
    knows = false;
    await expect(home.answerHere("/api/stem", "{}")).rejects.toThrow("cannot be read");
    expect(at(0).ended).toBe(true);
    await home.know("{whole}");
    knows = true;
    const next = home.answerHere("/api/stem", "{}");
    await turns();
    expect(at(1).heard[0]).toBe("know {whole}");
    give(1, "200{}");
    expect((await next).status).toBe(200);
  });
});

describe("a search for rigs", () => {
  it("says how far it is and gives what was found", async () => {
    const seen: string[] = [];
    const search = home.answerHere("/api/rigs?units=us", "{plan}", {
      heavy: true,
      progress: (done, total) => seen.push(`${done}/${total}`),
      signal: new AbortController().signal,
    });
    await turns();
    at(0).progress?.(10, 40);
    give(0, '200{"rigs":[]}');
    expect((await search).body).toEqual({ rigs: [] });
    expect(seen).toEqual(["10/40"]);
  });

  it("that is stopped ends its worker, and the next one begins with another", async () => {
    const stop = new AbortController();
    const search = home.answerHere("/api/rigs", "{plan}", { heavy: true, signal: stop.signal });
    await turns();
    stop.abort();
    await expect(search).rejects.toThrow();
    expect(at(0).ended).toBe(true);
    const next = home.answerHere("/api/rigs", "{plan}", { heavy: true });
    await turns();
    expect(workers).toHaveLength(2);
    give(1, "200{}");
    expect((await next).status).toBe(200);
  });

  it("that was stopped before it began asks nobody", async () => {
    const stop = new AbortController();
    stop.abort();
    await expect(home.answerHere("/api/rigs", "{plan}", { heavy: true, signal: stop.signal })).rejects.toThrow();
    expect(workers).toHaveLength(0);
  });
});

describe("a load cell at this device", () => {
  it("is heard by the core that follows the hand", async () => {
    const heard = home.hearCell("line-1", true, "AAAA", 1640, false);
    await turns();
    expect(at(0).heard).toEqual(["line-1 true AAAA"]);
    give(0, '200{"session":7,"sequence":1,"counts":true,"missed":0,"trouble":""}');
    expect(await heard).toMatchObject({ session: 7, counts: true });
  });
});
