import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Plan } from "./types";

vi.stubGlobal("localStorage", { getItem: () => null, setItem: () => undefined });
const { api } = await import("./client");
const { useBusy } = await import("../ui/busy");

const plan = {} as Plan;
const answers: Response[] = [];
const asked = vi.fn(() => Promise.resolve(answers.shift() ?? Response.error()));
// Whether the server is there is looked at beside what is asked.
vi.stubGlobal("fetch", (path: string, init?: RequestInit) =>
  path === "/health/live"
    ? Promise.resolve(Response.json({}))
    : (asked as (...given: unknown[]) => Promise<Response>)(path, init),
);
vi.useFakeTimers();

const busy = () => Response.json({ detail: "Draklo is busy." }, { status: 503, headers: { "retry-after": "2" } });

beforeEach(() => {
  answers.length = 0;
  asked.mockClear();
});

describe("what waits its turn", () => {
  it("is said, and asked again when the server said to", async () => {
    answers.push(busy(), busy(), Response.json({ bearings: [] }));
    const rose = api.rose(plan, 5);
    await vi.advanceTimersByTimeAsync(0);
    expect(useBusy.getState().text).toBe("Draklo is busy.");
    await vi.advanceTimersByTimeAsync(1900);
    expect(asked).toHaveBeenCalledTimes(1);
    await vi.advanceTimersByTimeAsync(2200);
    expect(await rose).toEqual({ bearings: [] });
    expect(asked).toHaveBeenCalledTimes(3);
    expect(useBusy.getState().text).toBeNull();
  });

  it("is not asked again once nobody waits for it", async () => {
    answers.push(busy());
    const left = new AbortController();
    const rose = api.rose(plan, 5, left.signal).catch((e: unknown) => e);
    await vi.advanceTimersByTimeAsync(0);
    left.abort();
    await vi.advanceTimersByTimeAsync(3000);
    expect(await rose).toBeInstanceOf(Error);
    expect(asked).toHaveBeenCalledTimes(1);
    expect(useBusy.getState().text).toBeNull();
  });

  it("says other refusals at once, in the server's words", async () => {
    answers.push(Response.json({ detail: "No." }, { status: 422 }));
    await expect(api.rose(plan, 5)).rejects.toThrow("No.");
    expect(asked).toHaveBeenCalledTimes(1);
  });
});

it("names its page and who works at it with every request", async () => {
  answers.push(Response.json([]));
  await api.policies();
  const headers = (asked.mock.calls[0] as unknown as [string, { headers: Record<string, string> }])[1].headers;
  expect(headers["x-draklo-client"]).toMatch(/^[0-9]+-[0-9]+$/);
  expect(headers["x-draklo-who"]).toBe("");
});
