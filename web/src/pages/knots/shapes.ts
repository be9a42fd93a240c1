import { hitches } from "./hitchShapes";
import { joins } from "./joinShapes";
import { loops } from "./loopShapes";
import type { Shape } from "./shape";

/** How each knot of the catalogue is drawn, by its id. */
export const shapes: Record<string, Shape> = { ...loops, ...joins, ...hitches };
