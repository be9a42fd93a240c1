import { describe, expect, it } from "vitest";
import { fitted } from "./shrink";

describe("a picture made smaller", () => {
  it("keeps its shape and never grows", () => {
    expect(fitted(4000, 3000)).toEqual({ width: 1600, height: 1200 });
    expect(fitted(3000, 4000)).toEqual({ width: 1200, height: 1600 });
    expect(fitted(800, 600)).toEqual({ width: 800, height: 600 });
  });

  it("keeps a line of a picture at least one pixel wide", () => {
    expect(fitted(40_000, 3)).toEqual({ width: 1600, height: 1 });
  });
});
