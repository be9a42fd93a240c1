import { useEffect, useRef, type ButtonHTMLAttributes } from "react";
import { goToMember, stationOf } from "../../stations/registry";
import { noDay, stationKeyOf, type OpenPoint } from "../../stations/missing";
import { confirmAsDrawn, missingNow, pointAfter, useMissing } from "../../stations/useMissing";
import { useView } from "../../state/view";

/** Goes to where a point is settled. */
function lead(point: OpenPoint | undefined): void {
  if (!point) return;
  if (point.linkId !== undefined) useView.getState().set({ link: point.linkId, working: `link.${point.linkId}` });
  if (point.key === noDay) useView.getState().set({ dialog: "job" });
  else if (point.path !== undefined && stationOf(point.path)) goToMember(point.path);
  useView.getState().set({ missing: point.key });
}

/** Opens the walk through what is still missing. */
export function MissingButton({ onClick, ...rest }: ButtonHTMLAttributes<HTMLButtonElement>) {
  const points = useMissing();
  return (
    <button
      type="button"
      data-missing={points.length}
      {...rest}
      onClick={(event) => {
        onClick?.(event);
        if (points.length > 0) lead(points[0]);
        else useView.getState().set({ missing: "none" });
      }}
    >
      What is still missing
      <span className="ml-1.5 font-semibold">{points.length}</span>
    </button>
  );
}

/** How much is open, and the next of it by name: one press from its field. */
export function NextOpen() {
  const points = useMissing();
  const leads = useView((s) => s.missing !== null);
  const [next] = points;
  if (leads || !next) return null;
  return (
    <p className="ml-auto flex shrink-0 items-center gap-3 font-tight text-sm text-pencil max-md:hidden">
      <span className="max-lg:hidden">{points.length} open</span>
      <button
        type="button"
        data-next-open
        className="min-h-[34px] max-w-[260px] truncate bg-ink px-3 font-semibold text-sheet"
        title={next.text}
        onClick={() => {
          lead(next);
        }}
      >
        Next: {next.name}
      </button>
    </p>
  );
}

/**
 * Enter in the field of a point, once it is taken, leads to the next: a tick is ticked by it. So does a press on a button or a
 * box that settles the point; what is typed settles one with its first letter, and waits for Enter.
 */
function useLeadingOn(at: string | null, points: OpenPoint[]): void {
  const led = useRef(false);
  const inWindow = useView((s) => s.dialog !== null);
  useEffect(() => {
    if (inWindow) return;
    // It was chosen, or the answer to what was entered before settled it as well: on, while nobody is typing there.
    const typing = at !== noDay && !led.current && document.activeElement instanceof HTMLInputElement;
    if (at !== null && !typing && !points.some((p) => p.key === at)) lead(pointAfter(at, points));
  }, [at, points, inWindow]);
  useEffect(() => {
    if (at === null) return undefined;
    const leadOn = () => {
      led.current = true;
      lead(pointAfter(at, missingNow()));
    };
    function onKey(event: KeyboardEvent): void {
      led.current = false;
      const field = event.target;
      if (event.key !== "Enter" || !(field instanceof HTMLInputElement) || !field.closest("aside [data-member]"))
        return;
      if (field.role === "combobox" || field.form) return;
      if (field.type === "checkbox" && !field.checked) field.click();
      // Once the page has taken what was entered.
      setTimeout(() => {
        if (field.getAttribute("aria-invalid") !== "true") leadOn();
      }, 0);
    }
    function onClick(event: MouseEvent): void {
      if (event.isTrusted) led.current = false;
      const press = event.target;
      if (!(press instanceof Element) || !press.closest("aside button, aside input[type='checkbox']")) return;
      setTimeout(() => {
        if (!missingNow().some((p) => p.key === at)) leadOn();
      }, 0);
    }
    const onInput = () => {
      led.current = false;
    };
    document.addEventListener("keydown", onKey);
    document.addEventListener("input", onInput, true);
    document.addEventListener("click", onClick);
    return () => {
      document.removeEventListener("keydown", onKey);
      document.removeEventListener("input", onInput, true);
      document.removeEventListener("click", onClick);
    };
  }, [at]);
}

/** From one open point to the next, each a tap from its field. */
export function MissingBar() {
  const points = useMissing();
  const at = useView((s) => s.missing);
  useLeadingOn(at, points);
  if (at === null) return null;
  const index = points.findIndex((p) => p.key === at);
  // A point that was settled is gone from the list: the one that stood after it takes its place.
  const after = pointAfter(at, points);
  const shown = index >= 0 ? points[index] : after;
  const place = Math.max(0, index);
  // The drawing shows what this station decides: what is guessed there is seen at once.
  const alike = shown?.asDrawn ? points.filter((p) => p.asDrawn && stationKeyOf(p) === stationKeyOf(shown)) : [];
  const button =
    "min-h-9 shrink-0 border border-sheet px-3 font-tight text-sm font-medium disabled:opacity-40 coarse:min-h-11";
  return (
    <section
      aria-label="What is still missing"
      className="flex shrink-0 items-center gap-2 bg-ink px-4 py-1.5 text-sheet max-md:flex-wrap"
      data-missing-bar
    >
      <p className="min-w-0 flex-1 text-[14px] leading-snug max-md:basis-full" role="status">
        {shown ? (
          <>
            <b className="font-semibold">
              {place + 1} of {points.length}.
            </b>{" "}
            {shown.text}
          </>
        ) : (
          "Nothing is missing: go to the brief, and let everybody sign."
        )}
      </p>
      <button
        type="button"
        className={button}
        disabled={place === 0}
        onClick={() => {
          lead(points[place - 1]);
        }}
      >
        Before
      </button>
      {alike.length > 1 && (
        <button
          type="button"
          data-as-drawn
          className={button}
          title={alike.map((p) => p.name).join(", ")}
          onClick={() => {
            confirmAsDrawn(alike);
            lead(pointAfter(alike.at(-1)?.key ?? at, missingNow()));
          }}
        >
          All {alike.length} as drawn
        </button>
      )}
      {shown && index < 0 && (
        <button
          type="button"
          className={button}
          onClick={() => {
            lead(shown);
          }}
        >
          Go there
        </button>
      )}
      {index >= 0 && (
        <button
          type="button"
          className={button}
          disabled={place + 1 >= points.length}
          onClick={() => {
            lead(points[place + 1]);
          }}
        >
          Next
        </button>
      )}
      <button
        type="button"
        className={button}
        onClick={() => {
          useView.getState().set({ missing: null });
        }}
      >
        Close
      </button>
    </section>
  );
}
