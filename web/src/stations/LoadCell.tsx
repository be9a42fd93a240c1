import { HubConnectionBuilder, LogLevel, type HubConnection, type ISubscription } from "@microsoft/signalr";
import { useEffect, useRef, useState } from "react";
import type { LineResult } from "../api/types";
import { useFeed } from "../state/feed";
import { Button, Note } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { figure, unitOf, written } from "../units/units";
import { markAt, traceOf, type Reading } from "./loadTrace";

const phases: Record<Reading["phase"], string> = {
  slack: "taking up slack",
  preTension: "pre-tension",
  hold: "held while the cuts are made",
  pull: "pulling",
  gone: "the tree has gone",
};

type State =
  | { kind: "off" }
  | { kind: "opening" }
  | { kind: "on"; name: string }
  | { kind: "ended"; name: string }
  | { kind: "wrong"; text: string };

/** What the load cell in the line reads, against what the plan wants. */
export function LoadCell({ at }: { at: number }) {
  const units = useSettings((s) => s.units);
  const analysis = useFeed((s) => s.analysis);
  const plan = useFeed((s) => s.of);
  const [state, setState] = useState<State>({ kind: "off" });
  const [readings, setReadings] = useState<Reading[]>([]);
  const open = useRef<{ connection: HubConnection; subscription: ISubscription<Reading> | null } | null>(null);

  function close(): void {
    open.current?.subscription?.dispose();
    void open.current?.connection.stop();
    open.current = null;
  }
  useEffect(() => close, []);

  async function watch(): Promise<void> {
    close();
    setReadings([]);
    setState({ kind: "opening" });
    const connection = new HubConnectionBuilder().withUrl("/hubs/load").configureLogging(LogLevel.None).build();
    const held: { connection: HubConnection; subscription: ISubscription<Reading> | null } = {
      connection,
      subscription: null,
    };
    open.current = held;
    try {
      await connection.start();
      const name = await connection.invoke<string>("CellName");
      if (open.current !== held) return;
      setState({ kind: "on", name });
      held.subscription = connection.stream<Reading>("Watch", plan, at).subscribe({
        next: (reading) => {
          setReadings((all) => [...all, reading]);
        },
        complete: () => {
          setState({ kind: "ended", name });
          close();
        },
        error: (error: Error) => {
          setState({ kind: "wrong", text: error.message.replace(/^.*HubException: /, "") });
          close();
        },
      });
    } catch {
      setState({ kind: "wrong", text: "The load cell does not answer. Is Draklo still running?" });
      close();
    }
  }

  const line = analysis?.pull.lines[at];
  const last = readings.at(-1);
  const peak = Math.max(0, ...readings.map((r) => r.tensionN));
  const on = state.kind === "on" || state.kind === "opening";
  return (
    <div data-load-cell={state.kind}>
      {state.kind === "off" && (
        <Note>Shows what a load cell in the line reads. This one is simulated and plays a pull of this plan.</Note>
      )}
      {analysis && line && last && (
        <Trace
          readings={readings}
          line={line}
          floor={analysis.pretension.floorN * share(analysis.pull.plannedTensionN, line)}
          ceiling={analysis.pretension.ceilingN * share(analysis.pull.plannedTensionN, line)}
        />
      )}
      {last && (
        <p className="flex items-baseline gap-2 py-1 font-tight">
          <span data-reading className="text-2xl font-semibold">
            {figure(last.tensionN, "force", units)}
          </span>
          <span className="text-sm text-pencil">
            {unitOf("force", units).name}, {phases[last.phase]}
          </span>
          <span className="ml-auto text-sm text-pencil">peak {written(peak, "force", units)}</span>
        </p>
      )}
      {(state.kind === "on" || state.kind === "ended") && (
        <Note>
          {state.name}
          {state.kind === "ended" ? "; the reading has ended." : "."}
        </Note>
      )}
      {state.kind === "wrong" && (
        <p role="alert" className="border-l-4 border-ink pl-2 text-[13px] leading-snug">
          {state.text}
        </p>
      )}
      <div className="flex gap-2 py-1">
        {on ? (
          <Button
            onClick={() => {
              close();
              setState({ kind: "off" });
            }}
          >
            Stop reading
          </Button>
        ) : (
          <Button
            onClick={() => {
              void watch();
            }}
          >
            {readings.length > 0 ? "Read again" : "Read the load cell"}
          </Button>
        )}
      </div>
    </div>
  );
}

const share = (main: number, line: LineResult): number => (main > 0 ? line.tensionN / main : 1);

const width = 272;
const height = 92;

/** The reading over time, with the pre-tension's window and the planned tension ruled across. */
function Trace({
  readings,
  line,
  floor,
  ceiling,
}: {
  readings: Reading[];
  line: LineResult;
  floor: number;
  ceiling: number;
}) {
  const most = Math.max(line.tensionN * 1.25, ...readings.map((r) => r.tensionN));
  const y = (n: number) => markAt(n, most, height);
  const window = { top: y(Math.min(ceiling, most)), bottom: y(floor) };
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label="Tension over time"
      className="my-1 block border border-ink bg-sheet"
    >
      {ceiling > floor && (
        <rect x={0} y={window.top} width={width} height={Math.max(0, window.bottom - window.top)} fill="var(--tint)" />
      )}
      <path d={`M0 ${y(line.tensionN)}H${width}`} stroke="var(--ink)" strokeDasharray="8 4" strokeWidth={1} />
      <text x={4} y={y(line.tensionN) - 3} fill="var(--ink)" className="font-tight text-[11px]">
        planned
      </text>
      {ceiling > floor && (
        <text x={4} y={window.bottom - 3} fill="var(--ink)" className="font-tight text-[11px]">
          pre-tension window
        </text>
      )}
      <path d={traceOf(readings, most, width, height)} fill="none" stroke="var(--loaded)" strokeWidth={1.8} />
    </svg>
  );
}
