import { useEffect, type RefObject } from "react";
import { useView } from "../../state/view";

const look = "input, select, textarea, button, [tabindex]";
const everyMs = 50;
/** A station is fetched when it is first opened; so long its field is waited for. */
const longestMs = 2000;

/**
 * Takes the field of the member that somebody was led to in hand: the member's own, or the first of the part that it belongs
 * to where the chosen way has no field for it.
 */
export function useLedTo(panel: RefObject<HTMLElement | null>): void {
  const path = useView((s) => s.field);
  const led = useView((s) => s.led);
  useEffect(() => {
    if (path === null) return undefined;
    const began = Date.now();
    let timer: ReturnType<typeof setTimeout> | undefined;
    function look(): void {
      const late = Date.now() - began > longestMs;
      const field = panel.current && fieldOf(panel.current, path ?? "", late);
      if (field) {
        take(field);
        // A window that closes gives the focus back to where it came from: here it belongs to the field.
        timer = setTimeout(() => {
          if (field.isConnected) take(field);
        }, everyMs);
      } else if (!late) timer = setTimeout(look, everyMs);
    }
    look();
    return () => {
      clearTimeout(timer);
    };
  }, [path, led, panel]);
}

function fieldOf(panel: HTMLElement, path: string, orNear: boolean): HTMLElement | undefined {
  const fields = [...panel.querySelectorAll<HTMLElement>("[data-member]")];
  const within = (part: string) =>
    fields.find((f) => {
      const member = f.dataset["member"] ?? "";
      return member === part || member.startsWith(`${part}.`) || member.startsWith(`${part}[`);
    });
  let found = within(path);
  for (let part = partOf(path); orNear && !found && part !== ""; part = partOf(part)) found = within(part);
  return found;
}

/** "lines[0].seat.heightM" → "lines[0].seat". */
const partOf = (path: string): string => path.replace(/(\.\w+|\[\d+\])$|^\w+$/, "");

function take(field: HTMLElement): void {
  const hand = field.matches(look) ? field : field.querySelector<HTMLElement>(look);
  if (document.activeElement !== hand) hand?.focus();
  hand?.scrollIntoView({ block: "center" });
}
