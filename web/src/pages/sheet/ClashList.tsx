import type { Clash, Side } from "../../api/types";

interface ClashListProps {
  clashes: Clash[];
  /** Who works here, and who saved the other version. */
  me: string;
  they: string;
  chosen: Record<string, Side>;
  onChoose: (chosen: Record<string, Side>) => void;
}

/** What two people changed each in their way, with what it was: one of the two is chosen for each. */
export function ClashList({ clashes, me, they, chosen, onChoose }: ClashListProps) {
  return (
    <>
      <ul className="mt-3 border-t border-ink" data-clashes>
        {clashes.map((c) => (
          <li key={c.path} data-clash={c.path} className="border-b border-rule py-2">
            <p className="font-tight text-[15px] font-semibold">
              {c.name}
              <span className="ml-2 text-[13px] font-normal text-pencil">was {c.was ?? "not there"}</span>
            </p>
            <div className="mt-1 flex flex-wrap gap-2">
              {(["mine", "theirs"] as const).map((side) => (
                <button
                  key={side}
                  type="button"
                  aria-pressed={chosen[c.path] === side}
                  className={`min-h-11 min-w-32 flex-1 border border-ink px-3 py-1 text-left leading-tight ${chosen[c.path] === side ? "bg-ink text-sheet" : "bg-sheet hover:bg-tint"}`}
                  onClick={() => {
                    onChoose({ ...chosen, [c.path]: side });
                  }}
                >
                  <span className="block text-[12px]">{side === "mine" ? `${me}, here` : `${they}, there`}</span>
                  <span className="font-tight text-[16px] font-medium">
                    {(side === "mine" ? c.mine : c.theirs) ?? "taken out"}
                  </span>
                </button>
              ))}
            </div>
          </li>
        ))}
      </ul>
      <p className="mt-2 flex flex-wrap gap-x-4 text-sm">
        {(["mine", "theirs"] as const).map((side) => (
          <button
            key={side}
            type="button"
            className="min-h-9 underline"
            onClick={() => {
              onChoose(Object.fromEntries(clashes.map((c) => [c.path, side])));
            }}
          >
            {side === "mine" ? "All from here" : "All from there"}
          </button>
        ))}
      </p>
    </>
  );
}
