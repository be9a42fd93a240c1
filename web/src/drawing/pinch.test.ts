import { describe, expect, it } from "vitest";
import { pinched, plain, pointIn } from "./pinch";

const pane = { width: 400, height: 300 };
const at = (x: number, y: number) => ({ x, y });

describe("two fingers on a drawing", () => {
  it("magnify it about the place between them", () => {
    const now = pinched(plain, [at(150, 150), at(250, 150)], [at(100, 150), at(300, 150)], pane);
    expect(now.scale).toBe(2);
    // The drawing's point (200, 150) stays under the middle of the fingers.
    expect([now.x + 200 * now.scale, now.y + 150 * now.scale]).toEqual([200, 150]);
  });

  it("move it when they move together, and never uncover the pane", () => {
    const near = pinched(plain, [at(150, 150), at(250, 150)], [at(100, 150), at(300, 150)], pane);
    const moved = pinched(near, [at(100, 100), at(200, 100)], [at(130, 80), at(230, 80)], pane);
    expect([moved.scale, moved.x - near.x, moved.y - near.y]).toEqual([2, 30, -20]);
    const far = pinched(near, [at(100, 100), at(200, 100)], [at(900, 900), at(1000, 900)], pane);
    expect([far.x, far.y]).toEqual([0, 0]);
  });

  it("never make it smaller than its pane, nor larger than five times", () => {
    expect(pinched(plain, [at(0, 0), at(300, 0)], [at(0, 0), at(10, 0)], pane)).toEqual(plain);
    expect(pinched(plain, [at(0, 0), at(10, 0)], [at(0, 0), at(400, 0)], pane).scale).toBe(5);
  });
});

it("reads a pointer in the drawing's own pixels, however far it is magnified", () => {
  const svg = {
    getBoundingClientRect: () => ({ left: 20, top: 10, width: 800 }),
    width: { baseVal: { value: 400 } },
  } as unknown as SVGSVGElement;
  expect(pointIn(svg, { clientX: 220, clientY: 110 })).toEqual({ x: 100, y: 50 });
  expect(pointIn(null, { clientX: 5, clientY: 6 })).toEqual({ x: 5, y: 6 });
});
