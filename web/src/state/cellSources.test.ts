import { describe, expect, it } from "vitest";
import { linesOf } from "./cellSources";

const bytes = (text: string) => new TextEncoder().encode(text);

describe("what comes over a cable", () => {
  const heard = (...parts: string[]) => {
    const lines: string[] = [];
    const take = linesOf((line) => lines.push(line));
    for (const part of parts) take(bytes(part));
    return lines;
  };

  it("is cut into lines, however it is parted on the way", () => {
    expect(heard("rest\nDRK1 a\r\nDR", "K1 b\n", "\n", "DRK1 c")).toEqual(["DRK1 a", "DRK1 b"]);
  });

  it("is let go where a line does not end, and found again after it", () => {
    expect(heard("\n", "x".repeat(500), "tail\nDRK1 a\n")).toEqual(["DRK1 a"]);
  });

  it("begins with the first whole line", () => {
    expect(heard("12 0000 *21A3\nDRK1 a\n")).toEqual(["DRK1 a"]);
  });
});
