import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { keepQueue, newKey, queued, restarted, withEntry, type QueuedEntry } from "./dayQueue";

const move = (key: string, to: "floor" | "hold" = "hold"): QueuedEntry => ({
  key,
  kind: "move",
  step: "floor",
  to,
  by: "Rowan",
});

describe("what waits at the tablet", () => {
  beforeEach(() => {
    const kept = new Map<string, string>();
    vi.stubGlobal("localStorage", {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
    });
    restarted();
  });
  afterEach(() => {
    vi.unstubAllGlobals();
  });
  it("outlives the tablet's restart", () => {
    expect(keepQueue("a", [move("k1")])).toBe(true);
    restarted();
    expect(queued("a")).toEqual([move("k1")]);
    expect(queued("b")).toEqual([]);
  });
  it("is held by the page where the tablet stores nothing, and that is told", () => {
    vi.stubGlobal("localStorage", undefined);
    expect(keepQueue("a", [move("k1")])).toBe(false);
    expect(queued("a")).toEqual([move("k1")]);
  });
  it("is not made of what somebody else stored there", () => {
    localStorage.setItem("draklo.day.a", '[1, null, { "key": 3 }]');
    expect(queued("a")).toEqual([]);
  });
  it("asks for a move once, however often the button is hit", () => {
    const once = withEntry([], move("k1"));
    expect(withEntry(once, move("k2"))).toEqual(once);
    expect(withEntry(once, move("k3", "floor"))).toHaveLength(2);
  });
  it("keeps every reading, alike or not", () => {
    const reading: QueuedEntry = { key: "r1", kind: "reading", step: "floor", by: "Rowan" };
    expect(withEntry([reading], { ...reading, key: "r2" })).toHaveLength(2);
  });
  it("gives each entry a key of its own that the server takes", () => {
    const keys = new Set(Array.from({ length: 200 }, newKey));
    expect(keys.size).toBe(200);
    for (const key of keys) expect(key).toMatch(/^[A-Za-z0-9-]{8,64}$/);
  });
});
