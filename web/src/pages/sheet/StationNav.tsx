import { places } from "../../ui/JobPlaces";
import { MoreMenu } from "../../ui/MoreMenu";
import { Link } from "react-router";
import { MissingButton } from "./MissingBar";
import { goTo, useShownStation, useStations, type StationEntry } from "../../stations/registry";
import type { OpenPoint } from "../../stations/missing";
import { useMissingAt } from "../../stations/useMissing";
import { useSheet } from "../../state/store";

/** The stations in the order of work, each with how much is open there. */
export function StationNav() {
  const shown = useShownStation();
  const stations = useStations();
  return (
    <nav aria-label="Stations" className="w-[136px] shrink-0 border-r border-ink py-2">
      {stations.map((station, index) => (
        <button
          key={station.key}
          type="button"
          data-station={station.name}
          aria-current={station === shown ? "step" : undefined}
          onClick={() => {
            goTo(station.key);
          }}
          className={`flex w-full items-baseline gap-3 px-3 py-2 text-left font-tight text-[15px] font-medium leading-tight ${station === shown ? "bg-ink text-sheet" : "hover:bg-tint"}`}
        >
          <span className={`${station === shown ? "" : "text-pencil"}`}>{index + 1}</span>
          <span className="flex-1">{station.name}</span>
          <Badge station={station} />
        </button>
      ))}
      <MissingButton className="mt-2 w-full border-y border-ink px-3 py-2 text-left font-tight text-[15px] leading-tight hover:bg-tint" />
      <p className="px-3 pt-2 text-xs leading-snug text-pencil">Numbers show what is open there.</p>
    </nav>
  );
}

/** On a narrow screen: the station before, all of them, the one after, at the foot within reach of a thumb. */
export function StepBar() {
  const shown = useShownStation();
  const stations = useStations();
  const at = stations.indexOf(shown);
  const id = useSheet((v) => v.jobId);
  const [before, after] = [stations[at - 1], stations[at + 1]];
  const step = "min-h-14 flex-1 px-4 font-tight text-[15px] disabled:opacity-30";
  return (
    <nav aria-label="Stations" className="flex shrink-0 items-stretch bg-ink text-sheet">
      {before ? (
        <button
          type="button"
          className={`${step} text-left`}
          onClick={() => {
            goTo(before.key);
          }}
        >
          ‹ {at} {before.name}
        </button>
      ) : (
        <span className={step} />
      )}
      <MoreMenu
        text="All steps"
        anchor="top"
        className={`${step} text-center font-semibold`}
        listClassName="w-[min(92vw,360px)] border-2 text-ink [--anchor-gap:4px]"
      >
        <MissingButton className="flex min-h-11 w-full items-center border-b border-ink px-4 text-left font-tight text-[16px] data-focus:bg-tint" />

        {stations.map((station, index) => (
          <button
            key={station.key}
            type="button"
            data-station={station.name}
            aria-current={station === shown ? "step" : undefined}
            onClick={() => {
              goTo(station.key);
            }}
            className={`flex min-h-11 w-full items-center gap-3 px-4 text-left font-tight text-[16px] data-focus:bg-tint ${station === shown ? "font-semibold" : ""}`}
          >
            <span className="text-pencil">{index + 1}</span>
            <span className="flex-1">{station.name}</span>
            <Badge station={station} />
          </button>
        ))}
        {places.slice(1).map(([to, name]) => (
          <Link
            key={to}
            to={`/jobs/${id ?? ""}/${to}`}
            className="flex min-h-11 w-full items-center border-t border-ink px-4 font-tight text-[16px] font-semibold data-focus:bg-tint"
          >
            {name}
          </Link>
        ))}
      </MoreMenu>
      {after ? (
        <button
          type="button"
          className={`${step} text-right`}
          onClick={() => {
            goTo(after.key);
          }}
        >
          {at + 2} {after.name} ›
        </button>
      ) : (
        <BriefStep className={`${step} text-right`} />
      )}
    </nav>
  );
}

/** After the last station comes the page for everybody. */
function BriefStep({ className }: { className: string }) {
  const id = useSheet((s) => s.jobId);
  return (
    <Link to={`/jobs/${id ?? ""}/brief`} className={`flex items-center justify-end ${className}`}>
      Brief ›
    </Link>
  );
}

const weighed = [
  ["mend", "to mend"],
  ["stop", "to change"],
  ["tick", "to tick"],
  ["check", "to look at"],
  ["open", "to say"],
] as const;

/** How much is open at a station; in words for who asks. A problem stands out. */
function Badge({ station }: { station: StationEntry }) {
  const open = useMissingAt(station.key);
  if (open.length === 0) return null;
  const count = (weight: OpenPoint["weight"]) => open.filter((p) => p.weight === weight).length;
  const words = weighed
    .filter(([weight]) => count(weight) > 0)
    .map(([weight, word]) => `${count(weight)} ${word}`)
    .join(", ");
  const grave = count("mend") + count("stop") > 0;
  return (
    <span className={`font-tight text-xs ${grave ? "font-semibold" : ""}`} title={words} data-open={words}>
      <span aria-hidden>
        {grave ? "! " : ""}
        {open.length}
      </span>
      <span className="sr-only">, {words}</span>
    </span>
  );
}
