import { beforeEach, describe, expect, it, vi } from "vitest";
import type { CarriedRow } from "../ui/shelf";

vi.stubGlobal("localStorage", { getItem: () => null, setItem: () => undefined });
const rows = new Map<string, CarriedRow>();
const answers = new Map<string, unknown>();
vi.mock("../ui/shelf", () => ({
  left: { read: () => null },
  useShelf: { getState: () => ({ waiting: [] }) },
  waitsFor: () => false,
  shelf: {
    answer: (path: string) => Promise.resolve(answers.get(path)),
    keepAnswer: (path: string, body: unknown) => Promise.resolve(answers.set(path, body)),
    job: (id: string) => Promise.resolve(rows.get(id)),
    jobs: () => Promise.resolve([...rows.values()]),
    keepJob: (row: CarriedRow) => Promise.resolve(rows.set(row.id, row)),
    dropJob: (id: string) => Promise.resolve(rows.delete(id)),
  },
}));
const { takeAlong } = await import("./along");
const { useHome } = await import("./home");

const carriedJob = (id: string) => ({
  mark: "m1",
  job: { jobId: id, name: `Job ${id}`, revision: 1, place: "", plan: {} },
  papers: { issued: [{ number: 3 }] },
});

/** The yard's answers; paths in `silent` are not answered, those in `refused` refused. */
function yard(silent: string[] = [], refused: string[] = []): string[] {
  const asked: string[] = [];
  vi.stubGlobal("fetch", (path: string) => {
    asked.push(path);
    if (silent.includes(path)) return Promise.reject(new TypeError("nobody"));
    if (refused.includes(path)) return Promise.resolve(Response.json({ detail: "Damaged." }, { status: 409 }));
    const id = /^\/api\/jobs\/(\w+)/.exec(path)?.[1] ?? "";
    return Promise.resolve(
      Response.json(
        path === "/api/carried"
          ? { locker: {}, jobs: ["a", "b"].map((j) => ({ id: j, mark: "m1" })) }
          : path.endsWith("/carried")
            ? carriedJob(id)
            : { of: path },
      ),
    );
  });
  return asked;
}

beforeEach(() => {
  rows.clear();
  answers.clear();
  useHome.setState({ ready: false, away: false });
});

describe("what a device takes along", () => {
  it("is every open job with its log and its last brief", async () => {
    yard();
    await takeAlong();
    expect([...rows.keys()]).toEqual(["a", "b"]);
    expect(answers.get("/api/jobs/b/log")).toEqual({ of: "/api/jobs/b/log" });
    expect(answers.get("/api/jobs/b/briefs/3")).toBeDefined();
  });

  it("has no job of which something is still missing, and takes it the next time", async () => {
    yard(["/api/jobs/a/log"]);
    await takeAlong().catch(() => undefined);
    expect(rows.has("a")).toBe(false);
    useHome.setState({ away: false });
    yard();
    await takeAlong();
    expect(rows.has("a")).toBe(true);
    expect(answers.get("/api/jobs/a/log")).toBeDefined();
  });

  it("is every other job where one cannot be read", async () => {
    yard([], ["/api/jobs/a/carried"]);
    await takeAlong();
    expect([...rows.keys()]).toEqual(["b"]);
  });

  it("fetches nothing again of a job that did not change", async () => {
    yard();
    await takeAlong();
    const asked = yard();
    await takeAlong();
    expect(asked.filter((path) => path.startsWith("/api/jobs/"))).toEqual([]);
  });

  it("lets go of a job that is over and was not opened for a month, and of no other", async () => {
    yard();
    const old = { mark: "m0", name: "", plannedOn: "", body: "{}", carriedAt: 0 };
    rows.set("over", { ...old, id: "over", usedAt: Date.now() - 31 * 86_400_000 });
    rows.set("lately", { ...old, id: "lately", usedAt: Date.now() - 2 * 86_400_000 });
    await takeAlong();
    expect([...rows.keys()].toSorted()).toEqual(["a", "b", "lately"]);
  });
});
