import { describe, expect, it } from "vitest";
import { fitted, withoutNotes } from "./shrink";

describe("a picture made smaller", () => {
  it("keeps its shape and never grows", () => {
    expect(fitted(4000, 3000)).toEqual({ width: 1600, height: 1200 });
    expect(fitted(3000, 4000)).toEqual({ width: 1200, height: 1600 });
    expect(fitted(800, 600)).toEqual({ width: 800, height: 600 });
  });

  it("keeps a line of a picture at least one pixel wide", () => {
    expect(fitted(40_000, 3)).toEqual({ width: 1600, height: 1 });
  });

  it("loses what a browser notes beside it, as the server would take off", () => {
    const segment = (marker: number, text: string) => [
      0xff,
      marker,
      0,
      text.length + 2,
      ...Array.from(text, (c) => c.charCodeAt(0)),
    ];
    const begin = segment(0xe0, "JFIF\0 1.1");
    const rest = [...segment(0xe2, "ICC_PROFILE\0 p3"), ...segment(0xdb, "table")];
    const data = [...segment(0xda, "scan"), 1, 2, 0xff, 0xfe, 0xff, 0xd9];
    const notes = [segment(0xe1, "Exif\0\0 phone"), segment(0xed, "Photoshop 3.0"), segment(0xfe, "a comment")];
    const written = [0xff, 0xd8, ...begin, ...notes.flat(), ...rest, ...data];
    expect([...withoutNotes(Uint8Array.from(written))]).toEqual([0xff, 0xd8, ...begin, ...rest, ...data]);
  });
});
