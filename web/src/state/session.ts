import { create } from "zustand";
import { worksAs } from "../api/author";
import { api } from "../api/client";
import type { Right, Session } from "../api/types";
import { useSettings } from "../ui/settings";

interface SessionState {
  /** Null until it is known, and where this device was never in reach. */
  session: Session | null;
  /** Whether it was asked and answered, or nobody answered. */
  asked: boolean;
}

export const useSession = create<SessionState>(() => ({ session: null, asked: false }));

/** Reads who this page speaks for; offline, who it was last. */
export async function readSession(): Promise<void> {
  try {
    const session = await api.session();
    worksAs(session);
    useSession.setState({ session });
    if (session.name !== "") useSettings.getState().setWho(session.name);
  } catch {
    // Never in reach: what is on this device can be looked at all the same.
  } finally {
    useSession.setState({ asked: true });
  }
}

/** Whether who is signed in may do something; at the yard's own machine everything. */
export function may(right: Right): boolean {
  const { session } = useSession.getState();
  return session === null || session.rights.includes(right);
}

/** The same, for what is drawn. */
export const useMay = (right: Right): boolean =>
  useSession(({ session }) => session === null || session.rights.includes(right));

/** Whether the server answers this device about more than letting it in. */
export function isLetIn(): boolean {
  const { session } = useSession.getState();
  return session === null || session.here || (session.name !== "" && session.role !== "guest");
}
