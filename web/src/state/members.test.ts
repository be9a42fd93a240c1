import { describe, expect, it } from "vitest";
import { isQuantity } from "../units/units";
import { members } from "../api/members";
import { factsAt, factsOf } from "./members";

describe("members of the plan", () => {
  it("are found by their path, through parts and lists", () => {
    expect(factsOf("lines[2].puller.machineN")).toMatchObject({
      label: "Machine or winch keeps up",
      quantity: "force",
      step: 1,
      low: 500,
      high: 500_000,
      canBeMeasured: true,
      station: "tackle",
    });
    expect(factsOf("lines[0].seat.heightM").station).toBe("line");
    expect(factsOf("lines[0]").station).toBe("line");
    expect(factsOf("site.markName").station).toBe("people");
    expect(factsOf("tree.crown.reachM.north").label).toBe("Reach north");
  });

  it("are not made up", () => {
    expect(factsAt("tree.girth")).toBeNull();
    expect(factsAt("tree.heightM.deeper")).toBeNull();
    expect(() => factsOf("nowhere")).toThrow("nowhere");
  });

  it("measure what the screen can write", () => {
    for (const part of Object.values(members))
      for (const said of Object.values(part) as { quantity?: string }[])
        if (said.quantity !== undefined) expect(isQuantity(said.quantity)).toBe(true);
  });
});
