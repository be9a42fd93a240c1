import { describe, expect, it } from "vitest";
import { turnedAbout } from "./sitePlan";

describe("a shape turned about its middle", () => {
  const square = [
    { eastM: 10, northM: 10 },
    { eastM: 14, northM: 10 },
    { eastM: 14, northM: 14 },
    { eastM: 10, northM: 14 },
  ];

  it("goes clockwise", () => {
    expect(turnedAbout(square, 90)[0]).toEqual({ eastM: 10, northM: 14 });
  });

  it("comes back after a whole turn", () => {
    expect(turnedAbout(square, 360)).toEqual(square);
  });
});
