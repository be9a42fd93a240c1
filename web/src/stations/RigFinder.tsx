import { useEffect, useRef, useState } from "react";
import { findRigsHere } from "../api/along";
import { hubAt, type HubConnection } from "../api/hub";
import { sayWhy } from "../api/refusal";
import { useHome } from "../api/home";
import type { FoundRigs } from "../api/types";
import { useKit } from "../state/useKit";
import { useFeed } from "../state/feed";
import { provenanceOf, useSheet, withProvenance } from "../state/store";
import { Check } from "../ui/Check";
import { Button, Note, Segments } from "../ui/controls";
import { Modal } from "../ui/Modal";
import { NumberField } from "../ui/NumberField";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";

interface Report {
  done: number;
  total: number;
  found?: FoundRigs;
  /** Why it has not begun. */
  waits?: string;
}

type State =
  | { kind: "off" }
  | { kind: "on"; done: number; total: number; waits?: string | undefined }
  | { kind: "found"; found: FoundRigs }
  | { kind: "wrong"; text: string };

/** From what is on the truck and stands on the plan: the best way to pull this tree. */
export function RigFinder() {
  const units = useSettings((s) => s.units);
  const [state, setState] = useState<State>({ kind: "off" });
  const [people, setPeople] = useState<number | undefined>();
  const kit = useKit();
  const [truckOnly, setTruckOnly] = useState(true);
  const open = useRef<HubConnection | null>(null);
  const own = useRef<AbortController | null>(null);
  const plan = useFeed((s) => s.of);

  function close(): void {
    void open.current?.stop();
    open.current = null;
    own.current?.abort();
    own.current = null;
  }
  useEffect(() => close, []);

  async function find(): Promise<void> {
    close();
    setState({ kind: "on", done: 0, total: 0 });
    if (useHome.getState().away) {
      await findOnThisDevice();
      return;
    }
    try {
      const connection = await hubAt("/hubs/finder");
      open.current = connection;
      await connection.start();
      connection.stream<Report>("Find", plan, units, people ?? null, kit.items.size > 0 && truckOnly).subscribe({
        next: (report) => {
          if (open.current === connection)
            setState(
              report.found
                ? { kind: "found", found: report.found }
                : { kind: "on", done: report.done, total: report.total, waits: report.waits },
            );
        },
        complete: () => {
          if (open.current === connection) close();
        },
        error: (error: Error) => {
          if (open.current !== connection) return;
          setState({ kind: "wrong", text: error.message.replace(/^.*HubException: /, "") });
          close();
        },
      });
    } catch {
      close();
      await findOnThisDevice();
    }
  }

  /** Offline the search runs here, over the locker as it was taken along. */
  async function findOnThisDevice(): Promise<void> {
    const stop = new AbortController();
    own.current = stop;
    try {
      const found = await findRigsHere(
        plan,
        units,
        people,
        kit.items.size > 0 && truckOnly,
        stop.signal,
        (done, total) => {
          if (own.current === stop) setState({ kind: "on", done, total });
        },
      );
      if (own.current === stop) setState({ kind: "found", found });
    } catch (error) {
      if (own.current === stop) setState({ kind: "wrong", text: sayWhy(error) });
    }
  }

  return (
    <div data-finder={state.kind}>
      <Note>
        Tries the locker's ropes, blocks and drum, one rope or two joined, the plan's anchors straight or over a
        redirect, every tackle, and seats, knots and haulers. Each is analysed in full.
      </Note>
      <NumberField
        label="People there"
        value={people}
        quantity="count"
        onChange={setPeople}
        unknown="as the plan says"
      />
      {kit.items.size > 0 && (
        <Check label="Only what is on the truck today" checked={truckOnly} onChange={setTruckOnly} />
      )}
      {state.kind === "on" ? (
        <>
          <progress
            value={state.done}
            max={Math.max(1, state.total)}
            aria-label="Combinations tried"
            className="mt-1 h-3 w-full accent-ink"
          />
          <p role="status" className="font-tight text-sm">
            {state.waits ?? `${state.done} of ${state.total} tried`}
          </p>
          <Button
            onClick={() => {
              close();
              setState({ kind: "off" });
            }}
          >
            Stop looking
          </Button>
        </>
      ) : (
        <Button
          className="my-1"
          onClick={() => {
            void find();
          }}
        >
          Find the best rig
        </Button>
      )}
      {state.kind === "wrong" && (
        <p role="alert" className="border-l-4 border-ink pl-2 text-[13px] leading-snug">
          {state.text}
        </p>
      )}
      {state.kind === "found" && (
        <Found
          found={state.found}
          onClose={() => {
            setState({ kind: "off" });
          }}
        />
      )}
    </div>
  );
}

type SortBy = "rank" | "margin" | "pieces" | "people";

const people = (rig: FoundRigs["best"][number]): number =>
  rig.line.puller.kind === "people" ? rig.line.puller.count : 1;

/** Sorting keeps the ranking among those that are alike. */
function sorted(rigs: FoundRigs["best"], by: SortBy): FoundRigs["best"] {
  const weight = {
    rank: () => 0,
    margin: (r: (typeof rigs)[number]) => -r.margin,
    pieces: (r: (typeof rigs)[number]) => r.pieces,
    people,
  }[by];
  return [...rigs].sort((a, b) => weight(a) - weight(b));
}

function Found({ found, onClose }: { found: FoundRigs; onClose: () => void }) {
  const units = useSettings((s) => s.units);
  const edit = useSheet((s) => s.edit);
  const [by, setBy] = useState<SortBy>("rank");
  return (
    <Modal title={found.best.length > 0 ? "The best rigs" : "No rig holds"} onClose={onClose} wide>
      <p>
        {found.holding} of {found.tried} combinations that fit hold.{found.advice !== undefined && ` ${found.advice}`}
      </p>
      {found.leftOut !== undefined && <Note>{found.leftOut}</Note>}
      {found.best.length > 1 && (
        <Segments
          label="Sort by"
          value={by}
          onChange={(v) => {
            setBy(v as SortBy);
          }}
          choices={[
            { value: "rank", text: "As ranked" },
            { value: "margin", text: "Most margin" },
            { value: "pieces", text: "Fewest pieces" },
            { value: "people", text: "Fewest people" },
          ]}
        />
      )}
      {found.best.length > 0 && (
        <table className="mt-3 w-full font-tight text-[14px]" data-rigs>
          <thead>
            <tr className="border-b border-ink text-left text-pencil">
              <th className="py-1 font-normal">rig</th>
              <th className="px-2 text-right font-normal">margin</th>
              <th className="px-2 text-right font-normal">pull by hand or machine</th>
              <th className="px-2 text-right font-normal">pieces</th>
              <th className="px-2 text-right font-normal">sets</th>
              <th className="px-2 text-right font-normal">rope</th>
              <th className="font-normal">
                <span className="sr-only">take it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {sorted(found.best, by).map((rig, i) => (
              <tr key={i} data-rig={i} className="border-b border-rule align-top">
                <td className="py-1.5 pr-2">
                  {rig.words}
                  <span className="block text-[13px] text-pencil">
                    {rig.gear.join(", ")}; {rig.why}
                    {rig.unknown > 0 && (
                      <b className="text-ink">
                        ; {rig.unknown === 1 ? "one strength is" : `${rig.unknown} strengths are`} not known
                      </b>
                    )}
                  </span>
                </td>
                <td className="px-2 py-1.5 text-right font-semibold">{rig.margin.toFixed(2)}</td>
                <td className="whitespace-nowrap px-2 py-1.5 text-right">{written(rig.handForceN, "force", units)}</td>
                <td className="px-2 py-1.5 text-right">{rig.pieces}</td>
                <td className="px-2 py-1.5 text-right">{rig.sets}</td>
                <td className="whitespace-nowrap px-2 py-1.5 text-right">{written(rig.ropeUsedM, "length", units)}</td>
                <td className="py-1 pl-2">
                  <Button
                    aria-label={`Take rig ${i + 1}`}
                    onClick={() => {
                      edit((d) => ({
                        ...d,
                        // What was a guess of the line and is not changed by the rig stays one.
                        plan: {
                          ...withProvenance(
                            rig.line.rope.itemId === undefined
                              ? d.plan
                              : withProvenance(d.plan, "lines[0].rope", undefined),
                            "lines[0].seat.heightM",
                            rig.line.seat.heightM === d.plan.lines[0]?.seat.heightM
                              ? provenanceOf(d.plan, "lines[0].seat.heightM")
                              : "default",
                          ),
                          lines: d.plan.lines.map((l, n) => (n === 0 ? { ...rig.line, id: l.id, share: l.share } : l)),
                        },
                      }));
                      onClose();
                    }}
                  >
                    Take
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {found.next.length > 0 && (
        <div className="mt-3 text-[13px] leading-snug text-pencil" data-next>
          <p>The next ones fail:</p>
          <ul>
            {found.next.map((r, i) => (
              <li key={i}>
                {r.words}: {r.why.replace(/\.$/, "")}.
              </li>
            ))}
          </ul>
        </div>
      )}
      <p className="mt-3 border-t border-ink pt-2 text-[13px] leading-snug">
        Estimates, not promises. A trained, competent person on site must judge any rig, by local codes and the makers'
        ratings, and test it in pre-tension.
      </p>
      <div className="mt-3 flex justify-end">
        <Button onClick={onClose}>Close</Button>
      </div>
    </Modal>
  );
}
