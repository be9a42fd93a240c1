import { describe, expect, it } from "vitest";
import { magnification } from "./TopPicture";

describe("a movement drawn larger", () => {
  it("is drawn as large as there is room, by a round number", () => {
    expect(magnification(0.04, 2.1)).toBe(50);
    expect(magnification(0.05, 2.1)).toBe(20);
    expect(magnification(0.3, 2.1)).toBe(5);
    expect(magnification(1.5, 2.1)).toBe(1);
  });
  it("is never drawn smaller than it is, and nothing is drawn ten times", () => {
    expect(magnification(9, 2.1)).toBe(1);
    expect(magnification(0, 2.1)).toBe(10);
  });
});
