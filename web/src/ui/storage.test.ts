import { describe, expect, it, vi } from "vitest";
import { storage } from "./storage";

describe("the browser's own storage", () => {
  it("may be switched off: reads nothing, says that it did not write", () => {
    const broken = () => {
      throw new DOMException("denied", "SecurityError");
    };
    vi.stubGlobal("localStorage", { getItem: broken, setItem: broken, removeItem: broken });
    expect(storage.read("a")).toBeNull();
    expect(storage.write("a", "1")).toBe(false);
    expect(() => {
      storage.drop("a");
    }).not.toThrow();
    vi.unstubAllGlobals();
  });

  it("may not be there at all", () => {
    vi.stubGlobal("localStorage", undefined);
    expect(storage.read("a")).toBeNull();
    expect(storage.keys("a")).toEqual([]);
    vi.unstubAllGlobals();
  });
});
