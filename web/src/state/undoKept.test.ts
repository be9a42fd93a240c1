import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Plan } from "../api/types";
import { useSheet, type Document } from "./store";
import { keepUndo, takeUndo } from "./undoKept";

const named = (name: string): Document => ({ name, place: "", plan: { follows: [] } as unknown as Plan });
const held = new Map<string, string>();
let isFull = false;

vi.stubGlobal("sessionStorage", {
  getItem: (key: string) => held.get(key) ?? null,
  removeItem: (key: string) => held.delete(key),
  setItem: (key: string, value: string) => {
    if (isFull) throw new Error("full");
    held.set(key, value);
  },
});

const undoable = () => useSheet.getState().past.map((d) => d.name);

describe("undo over a reload", () => {
  beforeEach(() => {
    held.clear();
    isFull = false;
    useSheet.getState().open("j", named("one"));
    useSheet.getState().edit((d) => ({ ...d, name: "two" }));
    useSheet.getState().edit((d) => ({ ...d, name: "three" }));
    useSheet.getState().undo();
  });

  const reloaded = () => {
    useSheet.getState().open("j", named("two"));
  };

  it("gives the steps back, both ways, and once", () => {
    keepUndo("j", 4, true);
    reloaded();
    takeUndo("j", 4, true);
    expect(undoable()).toEqual(["one"]);
    useSheet.getState().redo();
    expect(useSheet.getState().document?.name).toBe("three");
    reloaded();
    takeUndo("j", 4, true);
    expect(undoable()).toEqual([]);
  });

  it("gives none where the job stands otherwise: another job, another revision, something unsaved", () => {
    for (const [id, revision, saved] of [
      ["k", 4, true],
      ["j", 5, true],
      ["j", 4, false],
    ] as const) {
      keepUndo("j", 4, true);
      reloaded();
      takeUndo(id, revision, saved);
      expect(undoable()).toEqual([]);
    }
  });

  it("does without where nothing can be stored or what is stored cannot be read", () => {
    isFull = true;
    keepUndo("j", 4, true);
    takeUndo("j", 4, true);
    held.set("draklo.undo", "{");
    reloaded();
    takeUndo("j", 4, true);
    expect(undoable()).toEqual([]);
  });
});
