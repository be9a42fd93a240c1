import { create } from "zustand";
import { worksAs } from "../api/author";
import { api } from "../api/client";
import type { Right, Session } from "../api/types";
import { useSettings } from "../ui/settings";
import { shelf } from "../ui/shelf";
import { storage } from "../ui/storage";

interface SessionState {
  /** Null until it is known, and where this device was never in reach. */
  session: Session | null;
  /** Whether it was asked and answered, or nobody answered. */
  asked: boolean;
  /** Whether the yard forgot this device: what still waits on it is locked until it is let in again. */
  forgotten: boolean;
}

/** "in" from when this device was let in; "forgotten" from when it heard that it no longer is. */
const key = "draklo.letIn";

export const useSession = create<SessionState>(() => ({
  session: null,
  asked: false,
  forgotten: storage.read(key) === "forgotten",
}));

/** Reads who this page speaks for; offline, who it was last. */
export async function readSession(): Promise<void> {
  try {
    const session = await api.session();
    worksAs(session);
    await lookWhetherForgotten(session);
    useSession.setState({ session });
    if (session.name !== "") useSettings.getState().setWho(session.name);
  } catch {
    // Never in reach: what is on this device can be looked at all the same.
  } finally {
    useSession.setState({ asked: true });
  }
}

/** A device that hears that it is no longer one of the yard's lets go of all that the yard has too. */
async function lookWhetherForgotten({ here, paired }: Session): Promise<void> {
  if (here || paired) {
    if (!here) storage.write(key, "in");
    useSession.setState({ forgotten: false });
  } else if (storage.read(key) !== null) {
    storage.write(key, "forgotten");
    useSession.setState({ forgotten: true });
    await shelf.letGoOfKnown();
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
