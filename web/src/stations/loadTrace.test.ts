import { expect, it } from "vitest";
import { markAt, traceOf, type Reading } from "./loadTrace";

const reading = (atSeconds: number, tensionN: number): Reading => ({ atSeconds, tensionN, phase: "pull" });

it("stands at the foot with no tension and near the top with the most", () => {
  expect(markAt(0, 2000, 100)).toBe(100);
  expect(markAt(2000, 2000, 100)).toBe(4);
  expect(markAt(-5, 2000, 100)).toBe(100);
});

it("runs from left to right and lets what is old go", () => {
  expect(traceOf([], 1, 100, 50)).toBe("");
  expect(traceOf([reading(0, 0), reading(17, 1000)], 1000, 100, 50)).toBe("M0.0 50L50.0 4");
  const long = traceOf([reading(0, 0), reading(40, 500), reading(50, 1000)], 1000, 100, 50);
  expect(long.startsWith("M70.6")).toBe(true);
});
