import { useState } from "react";
import { Link } from "react-router";
import type { Locker } from "../../api/types";
import { outcomeNames } from "./words";

/** More would not be read here; the list itself shows what is flagged. */
const most = 60;

/** What the crew's rules would have done, the gravest first; somebody looks and decides. */
export function Proposals({ proposals }: { proposals: Locker["proposals"] }) {
  const [open, setOpen] = useState(false);
  if (proposals.length === 0) return null;
  return (
    <details
      className="border-b border-ink px-6 py-2"
      data-proposals={proposals.length}
      onToggle={(e) => {
        setOpen(e.currentTarget.open);
      }}
    >
      <summary className="min-h-7 cursor-pointer font-tight text-[15px] font-medium">
        By your rules: {proposals.length === 1 ? "one piece asks" : `${proposals.length} pieces ask`} for somebody
      </summary>
      <ul className="max-h-64 overflow-y-auto">
        {(open ? proposals.slice(0, most) : []).map((p) => (
          <li
            key={p.itemId}
            data-proposal={p.itemId}
            className="flex flex-wrap gap-x-4 border-b border-rule py-1 text-sm"
          >
            <Link to={`/locker/${p.itemId}`} className="w-[210px] font-tight font-medium underline">
              {p.name}
            </Link>
            <span className="w-[210px]">{outcomeNames[p.proposed]}</span>
            <span className="min-w-0 flex-1 text-pencil">{p.why}</span>
          </li>
        ))}
      </ul>
      {open && proposals.length > most && (
        <p className="text-[13px] text-pencil">
          The {most} gravest of {proposals.length}; choose “flagged” below for all of them.
        </p>
      )}
    </details>
  );
}
