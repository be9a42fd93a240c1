import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Plan } from "./types";

vi.stubGlobal("localStorage", { getItem: () => null, setItem: () => undefined });
const own = vi.fn((path: string) => Promise.resolve({ status: 200, body: { by: "core", path } }));
vi.mock("./coreHere", () => ({ answerHere: (path: string) => own(path) }));
const { api, Refusal } = await import("./client");
const { useHome } = await import("./home");

const plan = {} as Plan;
vi.useFakeTimers();

/** A server that answers after so long. */
function serverAfter(ms: number, answer: () => Response): void {
  vi.stubGlobal(
    "fetch",
    vi.fn(
      (_path: string, init: RequestInit) =>
        new Promise<Response>((go, fail) => {
          init.signal?.addEventListener("abort", () => {
            fail(init.signal?.reason as Error);
          });
          setTimeout(() => {
            go(answer());
          }, ms);
        }),
    ),
  );
}

const byServer = () => Response.json({ by: "server" });

beforeEach(() => {
  own.mockClear();
  useHome.setState({ ready: true, away: false });
});

describe("what follows a hand", () => {
  it("is the server's answer while that comes in time", async () => {
    serverAfter(20, byServer);
    const answer = api.stem(plan, 0);
    await vi.advanceTimersByTimeAsync(30);
    expect(await answer).toEqual({ by: "server" });
    await vi.advanceTimersByTimeAsync(200);
    expect(own).not.toHaveBeenCalled();
  });

  it("is the core's where the server is late, and the device is not offline for that", async () => {
    serverAfter(700, byServer);
    const answer = api.stem(plan, 0);
    await vi.advanceTimersByTimeAsync(70);
    expect(await answer).toMatchObject({ by: "core" });
    await vi.advanceTimersByTimeAsync(1000);
    expect(useHome.getState().away).toBe(false);
  });

  it("waits for the server as long as the core does not answer yet", async () => {
    useHome.setState({ ready: false });
    serverAfter(700, byServer);
    const answer = api.stem(plan, 0);
    await vi.advanceTimersByTimeAsync(800);
    expect(await answer).toEqual({ by: "server" });
    expect(own).not.toHaveBeenCalled();
  });

  it("is refused in the server's words where both refuse", async () => {
    own.mockImplementationOnce(() => Promise.resolve({ status: 422, body: { detail: "Ours." } }) as never);
    serverAfter(100, () => Response.json({ detail: "Theirs." }, { status: 422 }));
    const answer = api.stem(plan, 0).catch((e: unknown) => e);
    await vi.advanceTimersByTimeAsync(200);
    const refusal = await answer;
    expect(refusal).toBeInstanceOf(Refusal);
    expect((refusal as Error).message).toBe("Theirs.");
  });

  it("is asked of the core alone once nobody answers", async () => {
    vi.stubGlobal(
      "fetch",
      vi.fn(() => Promise.reject(new TypeError("nobody"))),
    );
    expect(await api.stem(plan, 0)).toMatchObject({ by: "core" });
    expect(useHome.getState().away).toBe(true);
    await api.stem(plan, 1);
    expect(own).toHaveBeenCalledTimes(2);
  });
});
