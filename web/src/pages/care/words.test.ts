import { expect, it } from "vitest";
import { kinds, reasons, size } from "./words";

it.each([
  [0, "0 B"],
  [999, "999 B"],
  [1000, "1.0 kB"],
  [135168, "135 kB"],
  [9_940_000, "9.9 MB"],
  [12_500_000_000, "13 GB"],
  [5e13, "50000 GB"],
])("writes a file's size to two or three figures: %i", (bytes, text) => {
  expect(size(bytes)).toBe(text);
});

it("has a word for everything that is kept and for every reason of a backup", () => {
  expect(Object.keys(kinds)).toEqual(["job", "gear", "inspection", "use", "rules", "species", "policy", "tackle"]);
  expect(Object.keys(reasons)).toEqual(["asked", "daily", "upgrade", "restore"]);
});
