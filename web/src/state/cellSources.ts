// Ways to a load cell that speaks the protocol of docs/load-cell.md. What it sends is read by the core, never here.

/** A load cell that is open. */
export interface CellSource {
  name: string;
  close: () => Promise<void>;
}

/** A packet in base64, or a line. */
type Hear = (sent: string, isPacket: boolean) => void;

export const cellService = "8f1d0001-5c2a-4d0e-9b1e-7d2a6c3e4f10";
export const cellReading = "8f1d0002-5c2a-4d0e-9b1e-7d2a6c3e4f10";
const baudRate = 115_200;
const longestLine = 64;
/** Names go to the server as the cell's own; what else a device calls itself is left out. */
const plainName = (name: string | undefined): string =>
  (name ?? "").replace(/[^A-Za-z0-9 ._-]/g, "").slice(0, 40) || "Load cell";

// What this application needs of Web Bluetooth and Web Serial, which TypeScript's library does not describe.
interface Characteristic extends EventTarget {
  value?: DataView;
  startNotifications: () => Promise<unknown>;
}
interface Device extends EventTarget {
  name?: string;
  gatt?: {
    connect: () => Promise<{
      getPrimaryService: (id: string) => Promise<{ getCharacteristic: (id: string) => Promise<Characteristic> }>;
    }>;
    disconnect: () => void;
  };
}
interface Port extends EventTarget {
  open: (options: { baudRate: number }) => Promise<void>;
  close: () => Promise<void>;
  readable: ReadableStream<Uint8Array> | null;
}
interface Ways {
  bluetooth: { requestDevice: (options: { filters: { services: string[] }[] }) => Promise<Device> };
  serial: { requestPort: () => Promise<Port> };
}
const ways = (): Ways => navigator as unknown as Ways;

export async function openBluetooth(hear: Hear, lost: () => void): Promise<CellSource> {
  const device = await ways().bluetooth.requestDevice({ filters: [{ services: [cellService] }] });
  if (!device.gatt) throw new Error("no way in");
  const server = await device.gatt.connect();
  const reading = await (await server.getPrimaryService(cellService)).getCharacteristic(cellReading);
  reading.addEventListener("characteristicvaluechanged", () => {
    const { value } = reading;
    if (value) hear(base64(new Uint8Array(value.buffer, value.byteOffset, value.byteLength)), true);
  });
  device.addEventListener("gattserverdisconnected", lost);
  await reading.startNotifications();
  return {
    name: plainName(device.name),
    close: () => {
      device.removeEventListener("gattserverdisconnected", lost);
      device.gatt?.disconnect();
      return Promise.resolve();
    },
  };
}

export async function openSerial(hear: Hear, lost: () => void): Promise<CellSource> {
  const port = await ways().serial.requestPort();
  await port.open({ baudRate });
  const reader = port.readable?.getReader();
  if (!reader) throw new Error("nothing to read");
  let closing = false;
  const takeLines = linesOf((line) => {
    hear(line, false);
  });
  const read = async (): Promise<void> => {
    try {
      for (;;) {
        const { value, done } = await reader.read();
        if (done) break;
        takeLines(value);
      }
    } catch {
      // Pulled out.
    }
    if (!closing) lost();
  };
  void read();
  return {
    name: "Load cell by cable",
    close: async () => {
      closing = true;
      await reader.cancel();
      reader.releaseLock();
      await port.close();
    },
  };
}

/** Cuts a stream of bytes into lines; one that does not end is let go, and so is the first, which may have begun before. */
export function linesOf(line: (text: string) => void): (bytes: Uint8Array) => void {
  let text = "";
  let whole = false;
  return (bytes) => {
    for (const byte of bytes) {
      if (byte === 10) {
        if (whole && text !== "") line(text.replace(/\r$/, ""));
        [text, whole] = ["", true];
      } else if (text.length > longestLine) {
        [text, whole] = ["", false];
      } else text += String.fromCharCode(byte);
    }
  };
}

const base64 = (bytes: Uint8Array): string => btoa(String.fromCharCode(...bytes));
