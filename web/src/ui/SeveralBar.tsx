import type { ReactNode } from "react";
import { Button } from "./controls";

/** Of several things that one act was done to: how many it went through for, and which it did not, with why. */
export interface Done {
  done: number;
  /** What was done, as in "planned". */
  what: string;
  failed: { name: string; why: string }[];
}

interface SeveralBarProps {
  /** What is chosen, as in "jobs". */
  of: string;
  count: number;
  last: Done | null;
  onAll: () => void;
  onEnd: () => void;
  /** What can be done to all of them. */
  children: ReactNode;
  /** What belongs to the last act, as its undoing. */
  after?: ReactNode;
}

/** What can be done to the chosen entries of a list, and how the last act went. */
export function SeveralBar({ of, count, last, onAll, onEnd, children, after }: SeveralBarProps) {
  return (
    <section aria-label={`Several ${of}`} className="my-3 border-l-4 border-ink bg-sheet px-3 py-2" data-several>
      <div className="flex flex-wrap items-center gap-2">
        <p role="status" className="mr-2 font-tight text-[15px] font-semibold">
          {count === 0 ? `Tap the ${of} you want` : `${count} chosen`}
        </p>
        <Button onClick={onAll}>All shown</Button>
        {count > 0 && children}
        <Button className="ml-auto" onClick={onEnd}>
          Done
        </Button>
      </div>
      {last && (
        <p role="status" className="mt-1 text-sm">
          {last.done} {last.what}.
        </p>
      )}
      {after}
      {last && last.failed.length > 0 && (
        <ul role="alert" className="mt-1 text-sm">
          {last.failed.map((f) => (
            <li key={f.name}>
              <b className="font-semibold">{f.name}</b>: {f.why}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** The box of an entry that can be chosen. */
export function ChosenBox({ chosen }: { chosen: boolean }) {
  return (
    <span
      aria-hidden
      className={`inline-block h-4 w-4 shrink-0 border border-ink align-[-2px] ${chosen ? "bg-ink shadow-[inset_0_0_0_3px_var(--sheet)]" : "bg-sheet"}`}
    />
  );
}

/** A link that looks like the buttons beside it. */
export const linkButton =
  "inline-flex min-h-9 items-center border border-ink bg-sheet px-3 font-tight text-sm font-medium hover:bg-tint coarse:min-h-11";
