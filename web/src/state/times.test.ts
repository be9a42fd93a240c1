import { describe, expect, it } from "vitest";
import { clock, minutes, spanOf } from "./times";
import { idOf } from "./roles";

describe("times of the day", () => {
  it.each([
    [0, "00:00"],
    [510, "08:30"],
    [755.4, "12:35"],
    [1439.6, "00:00 +1 d"],
    [1500, "01:00 +1 d"],
    [-10, "23:50 −1 d"],
  ])("%s minutes after midnight are %s", (at, text) => {
    expect(clock(at)).toBe(text);
  });

  it("tells differences with their sign, and none as none", () => {
    expect([spanOf(44.6), spanOf(-10.2), spanOf(0.3)]).toEqual(["+45 min", "−10 min", "no difference"]);
    expect([minutes(-3.6), minutes(12.4)]).toEqual(["−4", "12"]);
  });
});

describe("ids made of names", () => {
  it("are short, plain and free", () => {
    expect(idOf("Änne & Bo", new Set())).toBe("nne-bo");
    expect(idOf("Bo", new Set(["bo", "bo-2"]))).toBe("bo-3");
    expect(idOf("??", new Set())).toBe("one");
    expect(idOf("a".repeat(80), new Set())).toHaveLength(28);
  });
});
