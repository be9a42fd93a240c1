import { useEffect } from "react";
import { Modal } from "../ui/Modal";
import { useSettings } from "../ui/settings";
import { useSheet } from "./store";
import { goTo, stationNames, useView, type Station } from "./view";

const list: [string, string][] = [
  ["Ctrl Z", "Undo"],
  ["Ctrl Shift Z", "Redo"],
  ["1 – 6", "Station: walk up, size up, lay, line, anchor and tackle, cuts"],
  ["E, P, S, B, T", "Drawing: elevation, plan, stump, bending of the stem, tackle"],
  ["Space", "On the tackle: haul, or stop"],
  ["R", "The lay rose on the plan, on or off"],
  ["Enter, Esc", "While a target is drawn: it is done, or forget it"],
  ["U", "Metric or US customary"],
  ["W", "Open or close the workings"],
  ["Tab", "Next field or handle"],
  ["Arrow keys", "Move the handle or number that has focus; with Shift, ten steps"],
  ["Enter, Esc", "In a field: take the number, or put back the old one"],
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
      if (
        control ||
        event.altKey ||
        event.target instanceof HTMLInputElement ||
        event.target instanceof HTMLTextAreaElement
      )
        return;
      const view = useView.getState();
      const settings = useSettings.getState();
      const stations = Object.keys(stationNames) as Station[];
      const station = stations[Number(event.key) - 1];
      if (station) goTo(station);
      else if (event.key === "?") view.set({ help: true });
      else if (event.key === "e") view.set({ drawing: "elevation" });
      else if (event.key === "p") view.set({ drawing: "plan" });
      else if (event.key === "b") view.set({ drawing: "stem" });
      else if (event.key === "t") {
        view.set({ drawing: "tackle" });
        // Space is the haul's from here on, not that of a button that had focus before.
        if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
      } else if (event.key === "r") view.set({ drawing: "plan", rose: !view.rose });
      else if (event.key === "s") view.set({ drawing: "stump" });
      else if (event.key === "u") settings.setUnits(settings.units === "metric" ? "us" : "metric");
      else if (event.key === "w") view.set({ working: view.working === null ? "needed-tension" : null });
    }
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("keydown", onKey);
    };
  }, []);
}

export function ShortcutList() {
  const { help, set } = useView();
  if (!help) return null;
  return (
    <Modal
      title="Keys"
      onClose={() => {
        set({ help: false });
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
