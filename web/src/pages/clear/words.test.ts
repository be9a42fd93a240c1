import { describe, expect, it } from "vitest";
import { middleOf } from "../log/words";
import { panelOf, span } from "./words";

describe("clearing in words", () => {
  it("leads a member to the panel that holds it", () => {
    expect(panelOf("clearing.pieces[2].massKg")).toBe("pieces");
    expect(panelOf("clearing.ground.spots[0].atM")).toBe("ground");
    expect(panelOf("clearing.high.guy")).toBe("gear");
    expect(panelOf("clearing.people[0].offM")).toBe("people");
    expect(panelOf("clearing.fly.sagShare")).toBe("way");
  });

  it("says minutes as a crew does", () => {
    expect(span(12)).toBe("12 min");
    expect(span(58)).toBe("1 h");
    expect(span(124)).toBe("2 h 5");
  });

  it("takes the middle load", () => {
    expect(middleOf([])).toBeUndefined();
    expect(middleOf([5])).toBe(5);
    expect(middleOf([9, 3, 4])).toBe(4);
    expect(middleOf([3, 4])).toBe(3.5);
  });
});
