import type { Job } from "./types";

/** A refusal in the server's words. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    /** Sentences by the path of the member they speak of. */
    readonly errors: Record<string, string[]> = {},
    readonly current?: Job,
    /** When to come again, where the server says so. */
    readonly again?: number,
  ) {
    super(message);
  }
}

/** Why something failed, in the server's words or in ours when it did not answer. */
export function sayWhy(error: unknown, unanswered = "Draklo does not answer."): string {
  return error instanceof Refusal ? (Object.values(error.errors)[0]?.[0] ?? error.message) : unanswered;
}
