import { describe, expect, it, vi } from "vitest";
import { dayOf, momentOf } from "./words";

describe("a day on the list", () => {
  it("stands without its year in its own year, and with it in another", () => {
    vi.useFakeTimers({ now: new Date("2026-11-26T09:00:00") });
    expect(dayOf("2026-11-28")).toMatch(/^Sat,? 28 Nov$/);
    expect(dayOf("2027-03-09")).toMatch(/^Tue,? 9 Mar 2027$/);
    vi.useRealTimers();
  });

  it("says when there is none", () => {
    expect(dayOf(undefined)).toBe("no day set");
  });
});

it("writes a moment as people say it", () => {
  expect(momentOf("2026-11-26T16:20:00")).toBe("26 Nov 2026, 16:20");
});
