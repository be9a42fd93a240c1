import { goTo, stationAt, stations, useGuesses } from "../../stations/registry";
import { useView } from "../../state/view";

/** The stations in the order of work, each with how many of its figures are still guesses. */
export function StationNav() {
  const shown = stationAt(useView((s) => s.station));
  return (
    <nav
      aria-label="Stations"
      className="w-[136px] shrink-0 border-r border-ink py-2 max-md:flex max-md:w-full max-md:border-b max-md:border-r-0 max-md:py-0"
    >
      {stations.map((station, index) => (
        <button
          key={station.key}
          type="button"
          data-station={station.name}
          aria-current={station === shown ? "step" : undefined}
          onClick={() => {
            goTo(station.key);
          }}
          className={`flex w-full items-baseline gap-3 px-3 py-2.5 text-left font-tight text-[15px] font-medium leading-tight ${station === shown ? "bg-ink text-sheet" : "hover:bg-tint"}`}
        >
          <span className={`max-md:hidden ${station === shown ? "" : "text-pencil"}`}>{index + 1}</span>
          <span className="flex-1">{station.name}</span>
          <Guesses station={station} />
        </button>
      ))}
      <p className="px-3 pt-3 text-xs leading-snug text-pencil max-md:hidden">
        Numbers show how many figures are still guesses.
      </p>
    </nav>
  );
}

function Guesses({ station }: { station: (typeof stations)[number] }) {
  const count = useGuesses(station);
  return count > 0 ? (
    <span className="font-tight text-xs" aria-label={`${count} still guessed`}>
      {count}
    </span>
  ) : null;
}
