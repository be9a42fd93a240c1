import { useEffect, useRef } from "react";
import type { PullDay, PullStep } from "../../api/types";

/** The steps along a measuring tape; those behind can be gone back to. */
export function Tape({ day, onBack }: { day: PullDay; onBack: (to: PullStep) => void }) {
  const now = useRef<HTMLLIElement>(null);
  useEffect(() => {
    now.current?.scrollIntoView({ inline: "center", block: "nearest" });
  }, [day.now]);
  return (
    // What scrolls must be within reach of the arrow keys, even while no step can be gone back to.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <nav aria-label="Steps of the day" tabIndex={0} className="day-tape overflow-x-auto border-y-2 border-ink">
      <ol className="flex min-w-full">
        {day.steps.map((s) => (
          <li
            key={s.step}
            ref={s.state === "now" ? now : undefined}
            {...(s.state === "now" ? { "aria-current": "step" as const } : {})}
            className={`relative min-w-[78px] flex-1 text-center font-tight text-[15px] ${
              s.state === "ahead" ? "text-pencil" : "bg-held"
            } ${s.state === "now" ? "font-semibold" : ""}`}
          >
            <span aria-hidden className="day-ticks block h-6" />
            {s.state === "now" && (
              <svg
                aria-hidden
                viewBox="0 0 20 14"
                width={20}
                height={14}
                className="absolute top-0 left-1/2 -ml-[10px]"
              >
                <path d="M0 0H20L10 14Z" fill="var(--ink)" />
              </svg>
            )}
            {s.state === "done" ? (
              <button
                type="button"
                className="w-full pb-1"
                aria-label={`Back to ${s.name}`}
                onClick={() => {
                  onBack(s.step);
                }}
              >
                {s.name}
              </button>
            ) : (
              <span className="flex min-h-12 items-center justify-center pb-1">{s.name}</span>
            )}
          </li>
        ))}
      </ol>
    </nav>
  );
}
