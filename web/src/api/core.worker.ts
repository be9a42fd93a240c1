/// <reference lib="webworker" />
// The core in a worker of its own: the page goes on while it works.
import { expose } from "comlink";

/** Told how many of how many steps are done. */
export type Progress = (done: number, total: number) => void;

interface Core {
  Answer: (path: string, query: string, body: string, progress: Progress) => string;
  Know: (locker: string) => string;
  HearCell: (lineId: string, isPacket: boolean, sent: string, plannedN: number, atS: number, slack: boolean) => string;
}

interface Runtime {
  getAssemblyExports: (name: string) => Promise<{ Draklo: { Browser: { Program: Core } } }>;
}

async function open(): Promise<Core> {
  // Published beside the screens, not bundled with them.
  const address = new URL("/core/dotnet.js", self.location.origin).href;
  const { dotnet } = (await import(/* @vite-ignore */ address)) as { dotnet: { create: () => Promise<Runtime> } };
  const runtime = await dotnet.create();
  return (await runtime.getAssemblyExports("Draklo.Browser.dll")).Draklo.Browser.Program;
}

let core: Promise<Core> | undefined;

const home = {
  /** Three digits of a status as HTTP has it, then the answer's JSON; says how far it is where it takes long. */
  async answer(path: string, query: string, body: string, progress?: Progress): Promise<string> {
    core ??= open();
    return (await core).Answer(path, query, body, progress ?? (() => undefined));
  },
  async know(locker: string): Promise<void> {
    core ??= open();
    (await core).Know(locker);
  },
  async hearCell(
    lineId: string,
    isPacket: boolean,
    sent: string,
    plannedN: number,
    atS: number,
    slack: boolean,
  ): Promise<string> {
    core ??= open();
    return (await core).HearCell(lineId, isPacket, sent, plannedN, atS, slack);
  },
};

export type CoreHome = typeof home;

expose(home);
