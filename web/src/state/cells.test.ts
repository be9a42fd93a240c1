import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

/** What the core makes of what was sent; set by each test. */
let made: (sent: string) => unknown;
/** What went to the server, and what was laid aside. */
const delivered: { readings: { sequence: number; value: number }[]; session: string; cell: string }[] = [];
const aside: { words: string; sends: { readings: unknown[] } }[] = [];
const shown: string[] = [];
const owned: (string | null)[] = [];
const slacks: boolean[] = [];
let takes = true;
let opens: () => Promise<{ name: string; close: () => Promise<void> }>;
let sends: (sent: string, isPacket: boolean) => void = () => undefined;
let goes: () => void = () => undefined;
let closed = 0;
const home = { away: false };

vi.mock("../api/home", () => ({ useHome: { getState: () => home } }));
vi.mock("../api/coreHere", () => ({
  hearCell: (_line: string, _packet: boolean, sent: string, _planned: number, slack: boolean) => {
    slacks.push(slack);
    try {
      return Promise.resolve(made(sent));
    } catch (error) {
      return Promise.reject(error as Error);
    }
  },
}));
vi.mock("../ui/shelf", () => ({
  shelf: {
    wait: (row: (typeof aside)[0]) => {
      aside.push(row);
      return Promise.resolve(true);
    },
  },
}));
vi.mock("./outbox", () => ({
  deliverReadings: (_job: string, parcel: (typeof delivered)[0]) => {
    if (!takes) return Promise.reject(new TypeError("nobody"));
    delivered.push(parcel);
    return Promise.resolve();
  },
}));
vi.mock("./live", () => ({
  ownLine: (line: string | null) => owned.push(line),
  showReading: (line: string) => shown.push(line),
}));
vi.mock("./cellSources", () => {
  const open = (hear: typeof sends, gone: typeof goes) => {
    sends = hear;
    goes = gone;
    return opens();
  };
  return { openBluetooth: open, openSerial: open };
});

const { cellWays, expectSlack, listen, stopListening, useCells } = await import("./cells");

let number = 0;
const reading = (session = 1) => ({
  session,
  sequence: ++number,
  rawN: 1000,
  tensionN: 1000,
  counts: true,
  missed: 0,
  trouble: "",
});
const settle = () => vi.advanceTimersByTimeAsync(0);
async function send(times = 1): Promise<void> {
  for (let i = 0; i < times; i++) {
    sends("a packet", true);
    await settle();
  }
}
const nextParcel = () => vi.advanceTimersByTimeAsync(400);

beforeEach(() => {
  vi.useFakeTimers();
  slacks.length = delivered.length = aside.length = shown.length = owned.length = 0;
  number = closed = 0;
  takes = true;
  home.away = false;
  made = () => reading();
  opens = () =>
    Promise.resolve({
      name: "Cell 7",
      close: () => {
        closed++;
        return Promise.resolve();
      },
    });
});

afterEach(async () => {
  await stopListening();
  vi.useRealTimers();
});

describe("a cell at this device", () => {
  it("is shown at once and goes to the job in parcels", async () => {
    await listen("bluetooth", "job", "line-1", 1640);
    expect(useCells.getState()).toMatchObject({ state: "on", source: { name: "Cell 7" } });
    expect(owned.at(-1)).toBe("line-1");
    await send(3);
    expect(shown).toEqual(["line-1", "line-1", "line-1"]);
    expect(delivered).toHaveLength(0);
    await nextParcel();
    expect(delivered).toHaveLength(1);
    expect(delivered[0]).toMatchObject({ cell: "Cell 7", session: "1" });
    expect(delivered[0]?.readings.map((r) => r.sequence)).toEqual([1, 2, 3]);
    await nextParcel();
    expect(delivered).toHaveLength(1);
  });

  it("sends what it read as it read it, below zero too, and is told whether its line is slack", async () => {
    made = () => ({ ...reading(), rawN: -500, tensionN: 0, counts: false, trouble: "The cell reads below zero." });
    expectSlack(true);
    await listen("bluetooth", "job", "line-1", 1640);
    await send();
    expectSlack(false);
    await send();
    await nextParcel();
    expect(delivered[0]?.readings.map((r) => r.value)).toEqual([-500, -500]);
    expect(slacks).toEqual([true, false]);
    expect(useCells.getState().trouble).toBe("The cell reads below zero.");
  });

  it("offline is laid aside in larger parcels, and none is lost", async () => {
    home.away = true;
    await listen("serial", "job", "line-1", 1640);
    await send(99);
    await nextParcel();
    expect(aside).toHaveLength(0);
    await send(1);
    await nextParcel();
    expect(aside.map((w) => w.words)).toEqual(["100 readings of the load cell"]);
    await send(5);
    await stopListening();
    expect(aside.map((w) => w.sends.readings.length)).toEqual([100, 5]);
    expect(delivered).toHaveLength(0);
  });

  it("whose readings the server did not take keeps them on the device", async () => {
    takes = false;
    await listen("serial", "job", "line-1", 1640);
    await send(2);
    await nextParcel();
    expect(aside.map((w) => w.sends.readings.length)).toEqual([2]);
  });

  it("that begins a new session begins a new parcel", async () => {
    let session = 10;
    made = () => reading(session);
    await listen("serial", "job", "line-1", 1640);
    await send(2);
    session = 11;
    await send(1);
    expect(aside.map((w) => w.sends.readings.length)).toEqual([2]);
    await nextParcel();
    expect(delivered.map((p) => p.session)).toEqual(["b"]);
  });

  it("fills no parcel beyond what the server takes", async () => {
    await listen("serial", "job", "line-1", 1640);
    for (let i = 0; i < 601; i++) sends("a packet", true);
    await settle();
    expect(aside.map((w) => w.sends.readings.length)).toEqual([600]);
  });
});

describe("trouble with a cell", () => {
  it("is said, and what cannot be read is no reading", async () => {
    made = () => ({ session: 1, sequence: 1, counts: false, missed: 0, trouble: "The packet is cut short." });
    await listen("bluetooth", "job", "line-1", 1640);
    await send();
    expect(useCells.getState().trouble).toBe("The packet is cut short.");
    await nextParcel();
    expect(shown).toEqual([]);
    expect(delivered).toEqual([]);
  });

  it("in the core itself is said too", async () => {
    made = () => {
      throw new Error("the core is gone");
    };
    await listen("bluetooth", "job", "line-1", 1640);
    await send();
    expect(useCells.getState().trouble).toContain("could not work out");
  });

  it("that is gone is told apart from one that was put away", async () => {
    await listen("bluetooth", "job", "line-1", 1640);
    goes();
    expect(useCells.getState().state).toBe("lost");
    await send();
    expect(shown).toEqual([]);
    expect(useCells.getState().trouble).toContain("gone");
    await stopListening();
    expect(useCells.getState()).toMatchObject({ state: "off", source: null, trouble: "" });
    expect(owned.at(-1)).toBeNull();
    expect(closed).toBe(1);
  });

  it("that does not open says why", async () => {
    for (const [error, words] of [
      [new DOMException("", "NotFoundError"), "No load cell was chosen."],
      [new DOMException("", "SecurityError"), "This browser does not let a page listen to devices here."],
      [new Error("GATT"), "The load cell could not be opened: is it on, near, and not taken by another device?"],
    ] as const) {
      opens = () => Promise.reject(error);
      await listen("bluetooth", "job", "line-1", 1640);
      expect(useCells.getState()).toMatchObject({ state: "off", trouble: words });
    }
  });

  it("a second cell puts the first one away", async () => {
    await listen("bluetooth", "job", "line-1", 1640);
    await send(1);
    await listen("serial", "job", "line-2", 1640);
    expect(closed).toBe(1);
    expect(delivered.map((p) => p.readings.length)).toEqual([1]);
    expect(owned.at(-1)).toBe("line-2");
  });
});

describe("the ways to a cell", () => {
  it("are those that this browser has", () => {
    vi.stubGlobal("navigator", { serial: {} });
    expect(cellWays()).toEqual(["serial"]);
    vi.stubGlobal("navigator", { serial: {}, bluetooth: {} });
    expect(cellWays()).toEqual(["bluetooth", "serial"]);
    vi.stubGlobal("navigator", {});
    expect(cellWays()).toEqual([]);
    vi.unstubAllGlobals();
  });
});
