import { describe, expect, it } from "vitest";
import { said, stepWords } from "./words";

describe("a learned figure", () => {
  it("is written with its unit", () => {
    expect(said(0.9365, "ratio", "metric")).toBe("0.937");
    expect(said(0.9, "share", "metric")).toBe("90 %");
    expect(said(4.08, "deg", "metric")).toBe("4.1°");
    expect(said(280, "N", "metric")).toBe("280 N");
    expect(said(280, "N", "us")).toBe("62.9 lbf");
  });

  it("shows no more than can be told", () => {
    expect(said(0.000001, "ratio", "metric")).toBe("0");
  });
});

describe("a step of a trial", () => {
  it("says what was read, in the crew's units", () => {
    expect(stepWords({ broke: false, upN: 120, downN: 90 }, "metric")).toBe("up 120 N, down 90 N");
    expect(stepWords({ broke: false, upN: 120, downN: 90 }, "us")).toBe("up 27 lbf, down 20.2 lbf");
    expect(stepWords({ broke: false, heightM: 12, tries: 1 }, "us")).toBe("39.4 ft, 1 try");
    expect(stepWords({ broke: false, heightM: 12, tries: 3 }, "metric")).toBe("12 m, 3 tries");
  });

  it("tells the lean, the cracks and the break of a hinge", () => {
    expect(stepWords({ broke: false, leanDeg: 7.5, cracks: 1 }, "metric")).toBe("turned 7.5°, 1 crack");
    expect(stepWords({ broke: true, leanDeg: 22, cracks: 4 }, "us")).toBe("turned 22°, 4 cracks, it broke");
  });

  it("has no words for what was not read", () => {
    expect(stepWords({ broke: false }, "metric")).toBe("");
  });
});
