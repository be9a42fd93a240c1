import type { Session } from "./types";

let signedIn: string | undefined;

/** Says whose work what is done here from now on is; nobody's at the yard's own machine, where nobody signs in. */
export function worksAs(session: Session | null): void {
  signedIn = session !== null && !session.here ? session.name : undefined;
}

/** Whose work what is done here is. */
export const author = (): { by?: string } => (signedIn === undefined || signedIn === "" ? {} : { by: signedIn });

/** Whether something is the work of somebody other than who is signed in: it waits for them. */
export const isAnothers = (by: string | undefined): boolean =>
  by !== undefined && signedIn !== undefined && signedIn !== by;
