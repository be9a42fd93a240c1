import { page } from "../api/ask";
import { api } from "../api/client";
import { useHome } from "../api/home";
import { hubAt, type HubConnection } from "../api/hub";
import { onBack } from "../api/reach";
import type { Job } from "../api/types";
import { useSettings } from "../ui/settings";
import { comeIn } from "./autosave";
import { nobodyElse, tellBy, useHands, type Difference } from "./hands";

interface Present {
  page: string;
  name: string;
  holds?: string;
  settles?: Difference[];
}

interface Message {
  others: Present[];
  job?: Job;
}

/** What stands on the screen comes first. */
const afterMs = 800;

/** Joins those who have a job open, until the returned function is called. Offline one is alone. */
export function openTogether(jobId: string): () => void {
  let connecting: Promise<HubConnection> | undefined;
  let connection: HubConnection | undefined;
  let left = false;

  async function connect(): Promise<HubConnection> {
    const made = await hubAt("/hubs/job", [0, 1000, 3000, 5000]);
    made.onreconnecting(alone);
    made.onreconnected(again);
    made.onclose(alone);
    return made;
  }

  function watch(): void {
    connection?.stream<Message>("Watch", jobId, page, useSettings.getState().who).subscribe({
      next: take,
      complete: () => undefined,
      error: () => undefined,
    });
    tellBy({
      hold: (handle) => {
        connection?.invoke("Hold", jobId, page, handle).catch(() => undefined);
      },
      settle: (differences) => {
        connection?.invoke("Settle", jobId, page, differences).catch(() => undefined);
      },
    });
  }

  function alone(): void {
    tellBy(undefined);
    useHands.setState(nobodyElse);
  }

  /** Comes in again: what others saved meanwhile was missed. */
  function again(): void {
    watch();
    api.job(jobId).then(comeIn, () => undefined);
  }

  async function start(comes: () => void): Promise<void> {
    if (left || useHome.getState().away) return;
    try {
      connecting ??= connect().catch((error: unknown) => {
        connecting = undefined;
        throw error;
      });
      connection = await connecting;
      // The job may have been left while the package came.
      if (hasLeft()) return;
      await connection.start();
      comes();
    } catch {
      // Nobody to join; the next time in reach it is tried again.
    }
  }

  const hasLeft = () => left;
  const soon = setTimeout(() => void start(watch), afterMs);
  const off = onBack(() => void start(again));
  return () => {
    left = true;
    clearTimeout(soon);
    off();
    alone();
    void connection?.stop();
  };
}

function take({ others, job }: Message): void {
  const named = others.map((o) => ({ ...o, name: o.name === "" ? "somebody" : o.name }));
  const names = named.map((o) => o.name).sort();
  const holding = Object.fromEntries(named.flatMap((o) => (o.holds === undefined ? [] : [[o.holds, o.name]])));
  const settling = named.flatMap((o) => (o.settles ? [{ name: o.name, differences: o.settles }] : []));
  const now = useHands.getState();
  const next = { names, others: holding, settling };
  // Nothing is drawn again for word that changes nothing.
  if (JSON.stringify(next) !== JSON.stringify(now)) useHands.setState(next);
  if (job) comeIn(job);
}
