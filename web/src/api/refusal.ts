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

/** Not now: nobody that may is signed in, the page is too old, or the server is not itself. */
const notNow = [401, 403, 408, 425, 426, 429];

/** Whether what was sent waits on: nobody has said no to it for good. */
export function waitsOn(error: unknown): boolean {
  return !(error instanceof Refusal) || error.status >= 500 || notNow.includes(error.status);
}

/** Whether somebody has to sign in for it to go on. */
export const wantsSignIn = (error: unknown): boolean =>
  error instanceof Refusal && (error.status === 401 || error.status === 403);
