import type { Strand } from "./strand";

/** A thing that rope goes round. */
export type Thing =
  | { kind: "post"; left: number; right: number; top: number; bottom: number; open: boolean }
  | { kind: "line"; y: number; half: number; from: number; to: number }
  | { kind: "stem"; x: number; y: number; r: number }
  | { kind: "ring"; x: number; y: number; r: number };

/** One drawing: its ropes, the second and third tinted, and what they go round. */
export interface Shape {
  width: number;
  height: number;
  strands: Strand[];
  rope: number;
  /** How thick each rope is drawn, where they are not alike. */
  ropes?: number[];
  /** One cord laid double: both strands in the same tint. */
  doubled?: boolean;
  things?: Thing[];
  /** Lettering: what pulls where. */
  labels?: [x: number, y: number, text: string, end?: boolean][];
}
