import { describe, expect, it } from "vitest";
import { said } from "./words";

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
