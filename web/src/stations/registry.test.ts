import { describe, expect, it, vi } from "vitest";
import glossary from "../../../src/Draklo.Core/Catalogue/Tables/glossary.json";
import { members } from "../api/members";
import { drawingAt, drawings } from "../drawing/registry";
import { firstView } from "../state/view";
import { stationAt, stationOf, stations } from "./registry";

// The settings that some stations read are kept in the browser, which is not here.
vi.hoisted(() => vi.stubGlobal("localStorage", { getItem: () => null }));

const different = (names: string[]) => new Set(names).size === names.length;

describe("the stations", () => {
  it("have keys and names of their own, and there are no more than number keys", () => {
    expect(different(stations.map((s) => s.key))).toBe(true);
    expect(different(stations.map((s) => s.name))).toBe(true);
    expect(stations.length).toBeLessThanOrEqual(10);
  });

  it.each([
    ["walkUp[3]", "walk"],
    ["tree.crown.reachM.north", "size"],
    ["readings.leanViews", "size"],
    ["wind.speedMps", "size"],
    ["site.targets[2].points[0].eastM", "lay"],
    ["lay.bearingDeg", "lay"],
    ["lines[0].seat.heightM", "line"],
    ["lines[12].rope.wear.ageYears", "line"],
    ["lines[0].anchor.capacityN", "tackle"],
    ["lines[1].redirects[0].at.sling", "tackle"],
    ["lines[0].puller.count", "tackle"],
    ["lines[0].limiter.turns", "tackle"],
    ["cut.notch.depthM", "cuts"],
    ["policy.designFactor.rope", "factors"],
  ])("%s is decided at one: %s", (path, key) => {
    expect(stationOf(path)?.key).toBe(key);
  });

  it("are all that the members name", () => {
    const named = Object.values(members).flatMap((part) =>
      Object.values(part as Record<string, { station?: string }>).flatMap((said) => said.station ?? []),
    );
    const keys = stations.map((s) => s.key);
    expect(named.filter((key) => !keys.includes(key))).toEqual([]);
  });

  it("leave a member of none alone", () => {
    expect(stationOf("format")).toBeUndefined();
  });

  it("fall back to the one that a sheet opens with", () => {
    expect(stationAt("nonsense").key).toBe(firstView.station);
  });

  it("open with drawings that there are", () => {
    const keys = drawings.map((d) => d.key);
    expect(stations.filter((s) => !keys.includes(s.drawing))).toEqual([]);
  });

  it("use words that the glossary has", () => {
    const known = glossary.map((entry) => entry.id);
    expect(known.length).toBeGreaterThan(40);
    expect(stations.flatMap((s) => s.terms).filter((term) => !known.includes(term))).toEqual([]);
  });
});

describe("the drawings", () => {
  it("have keys and letters of their own, and none that means something else", () => {
    expect(different(drawings.map((d) => d.key))).toBe(true);
    expect(different([...drawings.map((d) => d.letter), "r", "u", "w"])).toBe(true);
  });

  it("fall back to the first", () => {
    expect(drawings[drawingAt("3d")]?.key).toBe(drawings[0]?.key);
    expect(drawings[drawingAt("tackle")]?.key).toBe("tackle");
  });
});
