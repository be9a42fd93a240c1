import { describe, expect, it } from "vitest";
import { editable, fielded, figure, kilogramForce, parse, plain, written, type Quantity, type Units } from "./units";

function value(text: string, quantity: Quantity, units: Units = "metric"): number {
  const parsed = parse(text, quantity, units);
  if ("problem" in parsed) throw new Error(parsed.problem);
  return parsed.value;
}

function problem(text: string, quantity: Quantity, units: Units = "metric"): string {
  const parsed = parse(text, quantity, units);
  return "problem" in parsed ? parsed.problem : `read as ${parsed.value}`;
}

describe("reading", () => {
  it("gives no sign to what rounds to nothing", () => {
    expect(written(-0.001, "angle", "metric")).toBe("0°");
    expect(written(-3.26, "angle", "metric")).toBe("−3.3°");
  });

  it.each([
    ["42 ft", "length", 12.8016],
    ["42ft", "length", 12.8016],
    ["12 m", "length", 12],
    ["12,5", "length", 12.5],
    ["5'6\"", "length", 1.6764],
    ["5 ft 6 in", "length", 1.6764],
    ["1.6 t", "force", 15690.64],
    ["1600 daN", "force", 16000],
    ["160 kp", "force", 1569.064],
    ["12 knots", "speed", 6.1733],
    ["38 N/mm2", "strength", 38],
    ["850 kg/m3", "density", 850],
    ["54", "thickness", 0.54],
    ["21 in", "thickness", 0.5334],
    ["1/2 in", "rope", 0.0127],
    ["1 1/4 in", "rope", 0.03175],
    ["12.7", "rope", 0.0127],
    ["3 kN", "force", 3000],
    ["650 lbf", "force", 2891.344],
    ["60 lb", "force", 266.893],
    ["−2", "length", -2],
    ["-3 ft", "length", -0.9144],
    ["30°", "angle", 30],
    ["20 mph", "speed", 8.9408],
    ["70 %", "percent", 0.7],
    ["3", "count", 3],
  ] as [string, Quantity, number][])("%s as %s", (text, quantity, expected) => {
    expect(value(text, quantity)).toBeCloseTo(expected, 3);
  });

  it("takes a bare number in the field's own unit", () => {
    expect(value("42", "length", "us")).toBeCloseTo(12.8016, 4);
    expect(value("4 m", "length", "us")).toBe(4);
  });

  it.each([
    ["tall", "length", "is not a length"],
    ["", "length", "Give a length"],
    ["12 kg", "length", "“kg” is not a unit of length: write it in m or ft."],
    ["1,200", "length", "thousands or a decimal"],
    ["12 13", "length", "more than one number"],
    ["12 m 3", "length", "more than one number"],
    ["2.5", "count", "whole numbers"],
    ["1/0", "length", "is not a length"],
    ["3 m", "ratio", "plain number"],
    ["1e5", "length", "not a unit of length"],
    ["--3", "length", "is not a length"],
  ] as [string, Quantity, string][])("refuses %s as %s and says why", (text, quantity, says) => {
    expect(problem(text, quantity)).toContain(says);
  });
});

describe("writing", () => {
  it("keeps three figures", () => {
    expect(plain(1486.4)).toBe("1,490");
    expect(plain(0.0471)).toBe("0.0471");
    expect(plain(13)).toBe("13");
    expect(plain(-2)).toBe("−2");
    expect(plain(0)).toBe("0");
    expect(plain(Number.NaN)).toBe("–");
  });

  it("follows the unit system", () => {
    expect(written(12.8016, "length", "us")).toBe("42 ft");
    expect(written(1988, "force", "metric")).toBe("1.99 kN");
    expect(written(1988, "force", "us")).toBe("447 lbf");
    expect(written(792, "force", "metric")).toBe("792 N");
    expect(written(7.944, "angle", "metric")).toBe("7.9°");
    expect(figure(0.71, "percent", "metric")).toBe("71");
  });

  it("shows in a field what was typed, or three figures of what was typed in the other system", () => {
    expect(fielded(value("42 ft", "length"), "length", "us")).toBe("42");
    expect(fielded(value("42 ft", "length"), "length", "metric")).toBe("12.8");
    expect(fielded(28, "length", "us")).toBe("91.9");
    expect(fielded(46000, "force", "us")).toBe("10300");
    expect(fielded(-2, "length", "metric")).toBe("−2");
    expect(fielded(0, "length", "metric")).toBe("0");
  });

  it("gives back in a field what was typed into it", () => {
    for (const text of ["42", "0.5", "13.25", "1200"]) {
      for (const units of ["metric", "us"] as const) {
        expect(editable(value(text, "length", units), "length", units)).toBe(text);
      }
    }
  });

  it("rounds a floor up and a ceiling down", () => {
    expect(written(1121, "force", "metric", "up")).toBe("1.13 kN");
    expect(written(2273, "force", "metric", "down")).toBe("2.27 kN");
    expect(written(3.769, "speed", "metric", "down")).toBe("3.76 m/s");
    expect(written(7.94, "angle", "metric", "down")).toBe("7.9°");
    expect(written(1120, "force", "metric", "up")).toBe("1.12 kN");
  });

  it("takes decanewtons and tonnes as crews say them", () => {
    expect(parse("1600 daN", "force", "metric")).toEqual({ value: 16_000 });
    expect(parse("1.6 t", "mass", "metric")).toEqual({ value: 1600 });
    expect(kilogramForce).toBe(9.80665);
  });
});
