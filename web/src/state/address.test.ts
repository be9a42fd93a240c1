import { describe, expect, it } from "vitest";
import { searchOf, viewOf } from "./address";
import { firstView } from "./view";

describe("the address of a sheet", () => {
  it("is bare for a sheet as it opens", () => {
    expect(searchOf(firstView)).toBe("");
    expect(viewOf("")).toEqual(firstView);
  });

  it("leads back to the view that it was made of", () => {
    const view = {
      station: "cuts",
      drawing: "stump",
      line: 1,
      working: "link.main.knot",
      dialog: "glossary:seat",
    } as const;
    expect(viewOf(searchOf(view))).toEqual(view);
  });

  it.each(["?station=<b>", "?drawing=3d", "?line=0", "?line=99", "?line=two", "?dialog=<b>", "?dialog=glossary:A B"])(
    "%s opens as a sheet opens",
    (search) => {
      expect(viewOf(search)).toEqual(firstView);
    },
  );
});
