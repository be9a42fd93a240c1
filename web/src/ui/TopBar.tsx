import type { ReactNode } from "react";
import { NavLink } from "react-router";
import { UnitChoice } from "./UnitChoice";

const places = [
  ["/", "Jobs"],
  ["/year", "Year"],
  ["/locker", "Locker"],
  ["/learning", "Learning"],
  ["/practice", "Practice"],
  ["/crew", "Crew"],
  ["/knots", "Knots"],
  ["/tablet", "This device"],
  ["/upkeep", "Upkeep"],
] as const;

/** The head of every page but the sheet: where one is, the units, and what can be done there. */
export function TopBar({ children }: { children?: ReactNode }) {
  return (
    <header className="flex min-h-[60px] flex-wrap items-center gap-x-3 border-b border-ink bg-sheet px-6 py-2 no-print max-lg:min-h-0 max-lg:px-3 max-lg:py-0.5">
      <p className="font-tight text-lg font-semibold tracking-[0.14em] max-lg:flex-1">DRAKLO</p>
      <nav
        aria-label="Pages"
        // One row at every width: what does not fit is swept into sight.
        className="ml-3 flex min-w-0 flex-1 gap-x-1 overflow-x-auto max-lg:order-last max-lg:-mx-3 max-lg:basis-full max-lg:px-1"
      >
        {places.map(([to, name]) => (
          <NavLink
            key={to}
            to={to}
            end={to === "/"}
            className={({ isActive }) =>
              `flex min-h-9 items-center whitespace-nowrap px-2.5 font-tight text-[15px] font-medium ${isActive ? "border-b-2 border-ink" : "text-pencil hover:text-ink"}`
            }
          >
            {name}
          </NavLink>
        ))}
      </nav>
      <UnitChoice />
      {children}
    </header>
  );
}
