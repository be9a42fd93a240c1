import { useEffect } from "react";
import { Modal } from "../../ui/Modal";
import { useSettings } from "../../ui/settings";
import { useSheet } from "../../state/store";
import { drawings } from "../../drawing/registry";
import { goTo, stations } from "../../stations/registry";
import { useView } from "../../state/view";

const list: [string, string][] = [
  ["Ctrl Z", "Undo"],
  ["Ctrl Shift Z", "Redo"],
  ["1 – 9, 0", `Station: ${stations.map((s) => s.name.toLowerCase()).join(", ")}`],
  [
    drawings.map((d) => d.letter.toUpperCase()).join(", "),
    `Drawing: ${drawings.map((d) => d.name.toLowerCase()).join(", ")}`,
  ],
  ["Space", "On the tackle: haul, or stop"],
  ["R", "The lay rose on the plan, on or off"],
  ["Enter, Esc", "While a target is drawn: it is done, or forget it"],
  ["U", "Metric or US customary"],
  ["W", "Open or close the workings"],
  ["N", "The next open point, in its field"],
  ["Tab", "Next field or handle"],
  ["Enter", "In a field: take the number and go to the next"],
  ["Arrow keys", "Move the handle or number that has focus; with Shift, ten steps"],
  ["Esc", "In a field: put back the old number"],
  ["G", "The glossary"],
  ["?", "This list"],
];

/** Keys that work anywhere on the sheet but in a text field. */
export function useShortcuts(): void {
  useEffect(() => {
    function onKey(event: KeyboardEvent): void {
      const control = event.ctrlKey || event.metaKey;
      if (control && event.key.toLowerCase() === "z") {
        event.preventDefault();
        if (event.target instanceof HTMLInputElement) event.target.blur();
        if (event.shiftKey) useSheet.getState().redo();
        else useSheet.getState().undo();
        return;
      }
      if (control && event.key.toLowerCase() === "y") {
        event.preventDefault();
        useSheet.getState().redo();
        return;
      }
      if (control || event.altKey || isTyping(event.target)) return;
      const view = useView.getState();
      const settings = useSettings.getState();
      // The tenth has the key 0.
      const station = /^\d$/.test(event.key) ? stations[(Number(event.key) + 9) % 10] : undefined;
      const drawing = drawings.find((d) => d.letter === event.key);
      if (station) {
        goTo(station.key);
        // Into the station: the next Tab is its first field.
        document.querySelector<HTMLElement>("[data-onward]")?.focus();
      } else if (event.key === "n") document.querySelector<HTMLElement>("[data-next-open]")?.click();
      else if (drawing) {
        view.set({ drawing: drawing.key });
        // Space is the haul's from here on, not that of a button that had focus before.
        if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
      } else if (event.key === "?") view.set({ dialog: "keys" });
      else if (event.key === "g") view.set({ dialog: "glossary" });
      else if (event.key === "r") view.set({ drawing: "plan", rose: !view.rose });
      else if (event.key === "u") settings.setUnits(settings.units === "metric" ? "us" : "metric");
      else if (event.key === "w") view.set({ working: view.working === null ? "needed-tension" : null });
    }
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("keydown", onKey);
    };
  }, []);
}

/** Whether letters belong to what has focus: a text field, or a list or menu that is searched by typing. */
function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLInputElement ||
    target instanceof HTMLTextAreaElement ||
    (target instanceof Element && target.closest("[role=listbox], [role=menu], [role=dialog]") !== null)
  );
}

export function ShortcutList() {
  const shown = useView((s) => s.dialog === "keys");
  const set = useView((s) => s.set);
  if (!shown) return null;
  return (
    <Modal
      title="Keys"
      onClose={() => {
        set({ dialog: null });
      }}
    >
      <dl className="grid grid-cols-[130px_1fr] gap-y-1.5 text-sm">
        {list.map(([keys, does]) => (
          <div key={keys} className="contents">
            <dt className="font-tight font-semibold">{keys}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
}
