import { create } from "zustand";
import { hearCell } from "../api/coreHere";
import { useHome } from "../api/home";
import { shelf } from "../ui/shelf";
import { openBluetooth, openSerial, type CellSource } from "./cellSources";
import { ownLine, showReading } from "./live";
import { deliverReadings, type ReadingsSent } from "./outbox";

interface Cells {
  /** The cell that this device listens to by itself; null for none. */
  source: CellSource | null;
  state: "off" | "opening" | "on" | "lost";
  trouble: string;
}

/** A load cell at this device, by Bluetooth or by cable. */
export const useCells = create<Cells>(() => ({ source: null, state: "off", trouble: "" }));

const sendEveryMs = 400;
/** So many readings go in one parcel; the server takes no more. */
const most = 600;
/** Offline they are laid aside in parcels of a few seconds. */
const aside = 100;

let close: (() => Promise<void>) | undefined;
let slack = false;

/** Says whether the line is slack at the day's step: then the cell should read nothing. */
export function expectSlack(isSlack: boolean): void {
  slack = isSlack;
}

/** Which ways this browser has to a load cell. */
export const cellWays = (): ("bluetooth" | "serial")[] => [
  ...("bluetooth" in navigator ? (["bluetooth"] as const) : []),
  ...("serial" in navigator ? (["serial"] as const) : []),
];

/** Listens to a cell in a line of a job: its readings are shown at once, and kept with the job like the others. */
export async function listen(
  way: "bluetooth" | "serial",
  jobId: string,
  lineId: string,
  plannedN: number,
): Promise<void> {
  await stopListening();
  useCells.setState({ source: null, state: "opening", trouble: "" });
  let parcel: ReadingsSent | null = null;

  async function flush(): Promise<void> {
    const going = parcel;
    if (!going || going.readings.length === 0) return;
    const away = useHome.getState().away;
    if (away && going.readings.length < aside) return;
    parcel = null;
    await bringOrLayAside(jobId, going);
  }

  async function hear(sent: string, isPacket: boolean): Promise<void> {
    const heard = await hearCell(lineId, isPacket, sent, plannedN, slack);
    // What was still on its way when the cell went says nothing any more.
    if (useCells.getState().state === "lost") return;
    useCells.setState({ trouble: heard.trouble });
    if (heard.rawN === undefined) return;
    showReading(lineId, heard);
    const session = heard.session.toString(16);
    if (parcel && (parcel.session !== session || parcel.readings.length >= most)) {
      const full = parcel;
      parcel = null;
      await layAside(jobId, full);
    }
    parcel ??= { cell: useCells.getState().source?.name ?? "cell", session, lineId, readings: [] };
    parcel.readings.push({ sequence: heard.sequence, value: heard.rawN, at: Date.now() });
  }

  try {
    const source = await (way === "bluetooth" ? openBluetooth : openSerial)(
      (sent, isPacket) => {
        hear(sent, isPacket).catch(() => {
          useCells.setState({ trouble: "This device could not work out what the load cell sent." });
        });
      },
      () => {
        useCells.setState({ state: "lost", trouble: "The load cell is gone: is it on, and near enough?" });
      },
    );
    const timer = setInterval(() => void flush(), sendEveryMs);
    close = async () => {
      clearInterval(timer);
      await source.close();
      if (parcel) await bringOrLayAside(jobId, parcel);
    };
    ownLine(lineId);
    useCells.setState({ source, state: "on" });
  } catch (error) {
    useCells.setState({ state: "off", trouble: whyNot(error) });
  }
}

async function bringOrLayAside(jobId: string, parcel: ReadingsSent): Promise<void> {
  try {
    if (useHome.getState().away) throw new TypeError("offline");
    await deliverReadings(jobId, parcel);
  } catch {
    await layAside(jobId, parcel);
  }
}

async function layAside(jobId: string, parcel: ReadingsSent): Promise<void> {
  const words = `${parcel.readings.length} readings of the load cell`;
  await shelf.wait({ kind: "readings", jobId, at: Date.now(), words, sends: parcel });
}

export async function stopListening(): Promise<void> {
  const closing = close;
  close = undefined;
  ownLine(null);
  await closing?.().catch(() => undefined);
  useCells.setState({ source: null, state: "off", trouble: "" });
}

function whyNot(error: unknown): string {
  if (error instanceof DOMException && error.name === "NotFoundError") return "No load cell was chosen.";
  if (error instanceof DOMException && error.name === "SecurityError")
    return "This browser does not let a page listen to devices here.";
  return "The load cell could not be opened: is it on, near, and not taken by another device?";
}
