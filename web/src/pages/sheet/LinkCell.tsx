import { memo } from "react";
import { useSettings } from "../../ui/settings";
import { figure, written } from "../../units/units";

/** What a cell of a load path shows; of a pull and of a way of clearing alike. */
export interface ShownLink {
  id: string;
  name: string;
  quantity: "force" | "moment" | "stress";
  loadN: number;
  strengthN: number;
  factor: number;
  use: number;
  carefulUse: number;
  /** What the hardest heave makes of it; its use where that does not break it. */
  heaveUse: number;
  state: "holds" | "tight" | "fails";
  estimate: boolean;
  farMore: boolean;
}

interface LinkCellProps {
  link: ShownLink;
  weakest: boolean;
  narrow: boolean;
  lit: boolean;
  onPick: (id: string) => void;
  /** Whether somebody may heave on it: a load that hangs or is let down has no hardest heave. */
  heaves?: boolean;
}

/** The longest bar, as a use. */
const scaleTo = 1.4;

/** One link: what it carries against what it may, to the careful end. */
export const LinkCell = memo(function LinkCell({ link, weakest, narrow, lit, onPick, heaves = true }: LinkCellProps) {
  const units = useSettings((s) => s.units);
  const { quantity } = link;
  const word = { holds: "holds", tight: "tight", fails: "FAILS" }[link.state];
  const at = (use: number) => `${(Math.min(use, scaleTo) / scaleTo) * 100}%`;
  const careful = link.carefulUse > link.use * 1.005;
  const heave = link.heaveUse > link.use * 1.005;
  return (
    <li className={`${narrow ? "min-w-[87px]" : "min-w-[104px]"} flex-1 border-r border-ink last:border-r-0`}>
      <button
        type="button"
        data-link={link.id}
        data-state={link.state}
        aria-pressed={lit}
        onClick={() => {
          onPick(link.id);
        }}
        className={`flex h-full w-full flex-col justify-start px-2 py-1.5 text-left hover:bg-tint ${lit ? "bg-tint outline-2 -outline-offset-2 outline-ink" : ""}`}
      >
        <span
          className={`block min-h-[2.5em] font-tight text-[13px] leading-tight ${weakest ? "font-semibold underline" : "font-medium"}`}
        >
          {link.name}
        </span>
        <span data-value className="block whitespace-nowrap font-tight text-[15px] font-semibold">
          {written(link.loadN, quantity, units)}
          <span className="block text-xs font-normal text-pencil">
            {link.farMore ? "holds far more" : `of ${written(link.strengthN / link.factor, quantity, units)}`}
          </span>
        </span>
        <span className="relative my-1 block">
          {heaves && (
            <span
              data-heave={link.heaveUse.toFixed(2)}
              title="What the hardest heave puts on it, of what it breaks at"
              className="block h-1 bg-ink"
              style={{ width: at(link.heaveUse) }}
            />
          )}
          <span
            title="The planned pull, of what it may carry"
            className={`mt-0.5 block h-2.5 border border-ink state-${link.state}`}
            style={{ width: at(link.use) }}
          />
          {careful && (
            <span
              data-careful
              title="How far it may go at the careful end of what is known"
              className="absolute bottom-[4px] block border-t-2 border-ink"
              style={{ left: at(link.use), width: `calc(${at(link.carefulUse)} - ${at(link.use)})` }}
            />
          )}
          <span className="absolute -inset-y-1 block w-0.5 bg-ink" style={{ left: at(1) }} />
        </span>
        <span className={`block font-tight text-[13px] ${link.state === "holds" ? "text-pencil" : "font-semibold"}`}>
          <span className={narrow ? "block" : undefined}>
            {link.use < 10 ? link.use.toFixed(2) : figure(link.use, "ratio", units)}
            {careful && link.carefulUse < 10 && (
              <span className={link.carefulUse > 1 ? "font-semibold text-ink" : "font-normal text-pencil"}>
                –{link.carefulUse.toFixed(2)}
              </span>
            )}
          </span>{" "}
          {word}
          {heave && link.heaveUse > 1 && (
            <span className="block font-semibold text-ink">
              heave {(Math.ceil(link.heaveUse * 100) / 100).toFixed(2)}
            </span>
          )}
          {link.estimate && !careful && (
            <span className="font-normal text-pencil" title="Its strength is an estimate">
              {" "}
              ~
            </span>
          )}
        </span>
      </button>
    </li>
  );
});
