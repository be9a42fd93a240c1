import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Job } from "../api/types";

type Take = (message: unknown) => void;

class FakeConnection {
  started = 0;
  stopped = 0;
  told: unknown[][] = [];
  watched: unknown[][] = [];
  take: Take = () => undefined;
  lost: () => void = () => undefined;
  back: () => void = () => undefined;
  onreconnecting(f: () => void): void {
    this.lost = f;
  }
  onreconnected(f: () => void): void {
    this.back = f;
  }
  onclose(): void {
    // As when it is lost.
  }
  start(): Promise<void> {
    this.started++;
    return refuses ? Promise.reject(new Error("nobody")) : Promise.resolve();
  }
  stop(): Promise<void> {
    this.stopped++;
    return Promise.resolve();
  }
  stream(...what: unknown[]) {
    this.watched.push(what);
    return {
      subscribe: ({ next }: { next: Take }) => {
        this.take = next;
      },
    };
  }
  invoke(...what: unknown[]): Promise<void> {
    this.told.push(what);
    return Promise.resolve();
  }
}

/** The one that was made last; none before somebody joins. */
let connection = undefined as unknown as FakeConnection;
let refuses = false;
const backs = new Set<() => void>();
const came: Job[] = [];

vi.mock("@microsoft/signalr", () => ({
  LogLevel: { None: 0 },
  HubConnectionBuilder: class {
    withUrl() {
      return this;
    }
    withAutomaticReconnect() {
      return this;
    }
    configureLogging() {
      return this;
    }
    build() {
      connection = new FakeConnection();
      return connection;
    }
  },
}));
vi.mock("../api/ask", () => ({ page: "page-1" }));
vi.mock("../api/client", () => ({ api: { job: (id: string) => Promise.resolve({ id, revision: 9 }) } }));
vi.mock("../api/reach", () => ({
  onBack: (listener: () => void) => {
    backs.add(listener);
    return () => backs.delete(listener);
  },
}));
vi.mock("../ui/settings", () => ({ useSettings: { getState: () => ({ who: "Runa" }) } }));
vi.mock("./autosave", () => ({ comeIn: (job: Job) => came.push(job) }));

const { useHome } = await import("../api/home");
const { letGo, nobodyElse, saySettling, takeHold, useHands } = await import("./hands");
const { openTogether } = await import("./together");

const soon = () => vi.advanceTimersByTimeAsync(1000);
const differences = [{ name: "Height", mine: "21 m", saved: "22 m" }];
let leave = () => {
  /* nobody joined yet */
};

beforeEach(() => {
  vi.useFakeTimers();
  connection = undefined as unknown as FakeConnection;
  refuses = false;
  came.length = 0;
  useHome.setState({ away: false });
  useHands.setState(nobodyElse);
  leave = openTogether("job-1");
});

afterEach(() => {
  leave();
  saySettling(null);
  vi.useRealTimers();
});

describe("who has a job open", () => {
  it("joins the others once the screen stands", async () => {
    expect(connection).toBeUndefined();
    await soon();
    expect(connection.started).toBe(1);
    expect(connection.watched).toEqual([["Watch", "job-1", "page-1", "Runa"]]);
  });

  it("joins nobody offline, and joins when the server is back, with what was missed", async () => {
    useHome.setState({ away: true });
    await soon();
    expect(connection).toBeUndefined();
    useHome.setState({ away: false });
    for (const back of backs) back();
    await soon();
    expect(connection.watched).toHaveLength(1);
    expect(came).toEqual([{ id: "job-1", revision: 9 }]);
  });

  it("that finds nobody tries again the next time in reach", async () => {
    refuses = true;
    await soon();
    expect(connection.watched).toHaveLength(0);
    refuses = false;
    for (const back of backs) back();
    await soon();
    expect(connection.watched).toHaveLength(1);
  });

  it("sees names in order, hands on handles, and what is settled", async () => {
    await soon();
    connection.take({
      others: [
        { page: "b", name: "Sten", holds: "seat" },
        { page: "c", name: "" },
        { page: "d", name: "Ives", settles: differences },
      ],
    });
    expect(useHands.getState()).toEqual({
      names: ["Ives", "Sten", "somebody"],
      others: { seat: "Sten" },
      settling: [{ name: "Ives", differences }],
    });
  });

  it("draws nothing again for word that changes nothing", async () => {
    await soon();
    connection.take({ others: [{ page: "b", name: "Sten" }] });
    const before = useHands.getState();
    connection.take({ others: [{ page: "b", name: "Sten" }] });
    expect(useHands.getState()).toBe(before);
  });

  it("takes what another saved", async () => {
    await soon();
    connection.take({ others: [], job: { id: "job-1", revision: 4 } });
    expect(came).toEqual([{ id: "job-1", revision: 4 }]);
  });

  it("is alone while the connection is lost, and hears what was saved meanwhile", async () => {
    await soon();
    connection.take({ others: [{ page: "b", name: "Sten", holds: "seat" }] });
    connection.lost();
    expect(useHands.getState()).toEqual(nobodyElse);
    takeHold("seat");
    expect(connection.told).toEqual([]);
    connection.back();
    await soon();
    expect(connection.watched).toHaveLength(2);
    expect(came).toEqual([{ id: "job-1", revision: 9 }]);
  });

  it("that leaves is gone: no late start, no listening on", async () => {
    leave();
    await soon();
    expect(connection).toBeUndefined();
    expect(backs.size).toBe(0);
  });

  it("that leaves once it has joined lets its connection go", async () => {
    await soon();
    leave();
    expect(connection.stopped).toBe(1);
    expect(backs.size).toBe(0);
  });
});

describe("what this page tells the others", () => {
  it("is what it holds and lets go", async () => {
    await soon();
    takeHold("seat");
    letGo();
    expect(connection.told).toEqual([
      ["Hold", "job-1", "page-1", "seat"],
      ["Hold", "job-1", "page-1", null],
    ]);
  });

  it("is what it settles, told again to those who come later", async () => {
    saySettling(differences);
    expect(connection).toBeUndefined();
    await soon();
    expect(connection.told).toEqual([["Settle", "job-1", "page-1", differences]]);
    saySettling(null);
    expect(connection.told.at(-1)).toEqual(["Settle", "job-1", "page-1", null]);
  });
});
