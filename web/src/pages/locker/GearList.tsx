import { useRef, useState } from "react";
import type { GearEntry } from "../../api/types";
import { useSize } from "../../drawing/useSize";
import { ChosenBox } from "../../ui/SeveralBar";
import { useSettings } from "../../ui/settings";
import { figure, unitOf } from "../../units/units";
import { inSight, kindNames, stateNames } from "./words";

const rowHeight = 38;
const columns =
  "grid grid-cols-[minmax(150px,2.2fr)_92px_72px_66px_84px_minmax(150px,2fr)] items-center gap-x-3 max-md:grid-cols-[minmax(0,1.4fr)_68px_minmax(0,1fr)]";
/** Columns that a phone has no room for; they stand beside the piece when it is opened. */
const wide = "max-md:hidden";

/** A long list of which only the rows in sight are drawn. */
export function GearList({
  entries,
  taken,
  truck,
  ticked,
  onTake,
}: {
  entries: GearEntry[];
  taken: string | undefined;
  /** Ids of what is on the truck today. */
  truck: ReadonlySet<string>;
  /** Ids of the rows that are ticked while a row is ticked instead of opened; undefined while it is opened. */
  ticked: ReadonlySet<string> | undefined;
  onTake: (id: string) => void;
}) {
  const units = useSettings((s) => s.units);
  const [box, size] = useSize<HTMLDivElement>();
  const scroller = useRef<HTMLDivElement>(null);
  const [scrolled, setScrolled] = useState(0);
  const [first, last] = inSight(entries.length, rowHeight, scrolled, size.height || 600);
  return (
    <div
      className="flex min-h-0 flex-1 flex-col border-t border-ink"
      role="table"
      aria-label="Pieces"
      aria-rowcount={entries.length + 1}
    >
      <div ref={box} className="min-h-0 flex-1">
        <div
          ref={scroller}
          tabIndex={0} // eslint-disable-line jsx-a11y/no-noninteractive-tabindex -- arrow keys scroll it
          role="rowgroup"
          data-gear-list
          onScroll={(e) => {
            setScrolled(e.currentTarget.scrollTop);
          }}
          className="overflow-y-scroll"
          style={{ height: size.height }}
        >
          <div
            role="row"
            className={`${columns} sticky top-0 z-10 border-b border-ink bg-paper py-1.5 pl-2 font-tight text-[13px] text-pencil`}
          >
            <span role="columnheader">name and marks</span>
            <span role="columnheader" className={wide}>
              kind
            </span>
            <span role="columnheader" className={`text-right ${wide}`}>
              long, {unitOf("length", units).name}
            </span>
            <span role="columnheader" className={`text-right ${wide}`}>
              thick, {unitOf("rope", units).name}
            </span>
            <span role="columnheader" className="text-right">
              breaks, {unitOf("force", units).name}
            </span>
            <span role="columnheader">state</span>
          </div>
          {entries.length === 0 && (
            <p className="py-4 text-pencil">
              No match. Remove a word from the search, or choose all kinds and any state.
            </p>
          )}
          <div style={{ height: entries.length * rowHeight, position: "relative" }}>
            {entries.slice(first, last).map((entry, i) => (
              <Row
                key={entry.item.id}
                entry={entry}
                top={(first + i) * rowHeight}
                index={first + i}
                taken={entry.item.id === taken}
                onTruck={truck.has(entry.item.id)}
                ticked={ticked?.has(entry.item.id)}
                onTake={onTake}
              />
            ))}
          </div>
        </div>
      </div>
    </div>
  );
}

function Row({
  entry,
  top,
  index,
  taken,
  onTruck,
  ticked,
  onTake,
}: {
  entry: GearEntry;
  top: number;
  index: number;
  taken: boolean;
  onTruck: boolean;
  /** Undefined while rows are opened. */
  ticked: boolean | undefined;
  onTake: (id: string) => void;
}) {
  const units = useSettings((s) => s.units);
  const { item, strength, flags } = entry;
  const out = item.state !== "inService";
  return (
    <div
      role="row"
      aria-rowindex={index + 2}
      data-gear={item.id}
      style={{ top, height: rowHeight }}
      className={`${columns} absolute inset-x-0 border-b border-rule pl-2 font-tight text-[15px] ${taken ? "bg-tint" : "hover:bg-sheet"}`}
    >
      <span role="cell" className="min-w-0 truncate">
        <button
          type="button"
          onClick={() => {
            onTake(item.id);
          }}
          aria-current={taken ? "true" : undefined}
          aria-pressed={ticked}
          className={`text-left font-medium after:absolute after:inset-0 ${item.state === "retired" ? "line-through decoration-1" : ""}`}
        >
          {ticked !== undefined && (
            <>
              <ChosenBox chosen={ticked} />{" "}
            </>
          )}
          {item.name}
        </button>
        {onTruck && ticked === undefined && <span className="text-[13px] font-semibold"> on the truck</span>}
        {item.count > 1 && <span className="text-pencil"> × {item.count}</span>}
        {item.marks !== undefined && <span className="text-[13px] text-pencil"> {item.marks}</span>}
      </span>
      <span role="cell" className={`text-[13px] ${wide}`}>
        {kindNames[item.kind]}
      </span>
      <span role="cell" className={`text-right ${wide}`}>
        {item.lengthM === undefined ? "" : figure(item.lengthM, "length", units)}
      </span>
      <span role="cell" className={`text-right ${wide}`}>
        {item.diameterM === undefined ? "" : figure(item.diameterM, "rope", units)}
      </span>
      <span role="cell" className={`text-right ${strength.source === "estimate" ? "italic" : ""}`} title={strength.how}>
        {strength.newtons === undefined
          ? "–"
          : `${strength.source === "estimate" ? "~" : ""}${figure(strength.newtons, "force", units)}`}
      </span>
      <span role="cell" className="flex min-w-0 items-center gap-2 text-[13px]">
        <span
          aria-hidden
          className={`h-4 w-4 shrink-0 border border-ink ${out ? "state-fails" : flags.length > 0 ? "state-tight" : "state-holds"}`}
        />
        <span className="min-w-0 truncate" title={out ? item.reason : flags.map((f) => f.text).join("; ")}>
          {out
            ? `${stateNames[item.state]}: ${item.reason ?? ""}`
            : flags.length > 0
              ? flags.map((f) => f.text).join("; ")
              : "in service"}
        </span>
      </span>
    </div>
  );
}
