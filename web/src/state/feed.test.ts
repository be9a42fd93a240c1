import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Analysis, Plan } from "../api/types";

const asked: { plan: Plan; answer: (a: Analysis) => void; fail: (e: unknown) => void }[] = [];
vi.mock("../api/client", async () => ({
  ...(await vi.importActual<object>("../api/refusal")),
  api: {
    analyse: (plan: Plan) =>
      new Promise((answer, fail) => {
        asked.push({ plan, answer, fail });
      }),
  },
}));

const { follow, forget, useFeed } = await import("./feed");
const { setMember, useSheet } = await import("./store");
const { Refusal } = await import("../api/refusal");

const settle = async () => {
  for (let i = 0; i < 5; i++) await Promise.resolve();
};
const answerOf = (text: string) => ({ text, followed: [] }) as unknown as Analysis;
const last = () => asked[asked.length - 1];
let stop = () => {
  /* nothing followed yet */
};

beforeEach(() => {
  asked.length = 0;
  forget();
  useSheet.getState().open("a", {
    name: "",
    place: "",
    plan: {
      tree: { heightM: 21 },
      guesses: [],
      follows: [],
      provenance: {},
      accepted: [],
      lines: [],
    } as unknown as Plan,
  });
  stop = follow("metric", false);
});

afterEach(async () => {
  stop();
  while (asked.length > 0) {
    asked.pop()?.answer(answerOf("end"));
    await settle();
  }
});

describe("the analysis in step with the sheet", () => {
  it("asks one question at a time, and then the newest", async () => {
    for (const height of [22, 23, 24]) setMember("tree.heightM", height);
    expect(asked).toHaveLength(1);
    last()?.answer(answerOf("first"));
    await settle();
    expect(asked).toHaveLength(2);
    expect(last()?.plan.tree.heightM).toBe(24);
    expect(useFeed.getState()).toMatchObject({ analysis: { text: "first" }, of: { tree: { heightM: 21 } } });
    last()?.answer(answerOf("second"));
    await settle();
    expect(useFeed.getState()).toMatchObject({ analysis: { text: "second" }, of: { tree: { heightM: 24 } } });
    expect(asked).toHaveLength(2);
  });

  it("keeps the last good figures while a plan is refused, and says why at its place", async () => {
    last()?.answer(answerOf("good"));
    await settle();
    setMember("tree.heightM", 900);
    last()?.fail(new Refusal(422, "no", { "tree.heightM": ["Too high.", "Really."] }));
    await settle();
    expect(useFeed.getState()).toMatchObject({ analysis: { text: "good" }, problems: { "tree.heightM": "Too high." } });
    setMember("tree.heightM", 20);
    last()?.answer(answerOf("mended"));
    await settle();
    expect(useFeed.getState()).toMatchObject({ analysis: { text: "mended" }, problems: {} });
  });

  it("has the server's own words where no member is named", async () => {
    last()?.fail(new Refusal(413, "Too large."));
    await settle();
    expect(useFeed.getState().problems).toEqual({ "": "Too large." });
  });

  it("asks again until the server answers", async () => {
    vi.useFakeTimers();
    last()?.fail(new TypeError("network"));
    await settle();
    expect(useFeed.getState().unreachable).toBe(true);
    await vi.advanceTimersByTimeAsync(1000);
    vi.useRealTimers();
    expect(asked).toHaveLength(2);
    last()?.answer(answerOf("back"));
    await settle();
    expect(useFeed.getState()).toMatchObject({ unreachable: false, analysis: { text: "back" } });
  });

  it("does not ask once it is left", () => {
    stop();
    setMember("tree.heightM", 25);
    expect(asked).toHaveLength(1);
  });
});
