import { useEffect, useRef } from "react";
import { useLocation, useNavigate } from "react-router";
import { firstView, useView, type AddressedView, type DialogKey } from "./view";

const key = /^[a-z]{1,20}$/;

/** The view that an address asks for. What it does not name, or names wrongly, is as a sheet opens. */
export function viewOf(search: string): AddressedView {
  const asked = new URLSearchParams(search);
  const station = asked.get("station") ?? "";
  const drawing = asked.get("drawing") ?? "";
  const line = Number(asked.get("line") ?? 1) - 1;
  const dialog = asked.get("dialog");
  return {
    station: key.test(station) ? station : firstView.station,
    drawing: key.test(drawing) ? drawing : firstView.drawing,
    line: Number.isInteger(line) && line >= 0 && line < 6 ? line : firstView.line,
    working: asked.get("working"),
    dialog: dialog !== null && /^(job|keys|glossary(:[a-z0-9-]+)?)$/.test(dialog) ? (dialog as DialogKey) : null,
  };
}

/** The address of a view: only what differs from how a sheet opens. */
export function searchOf(view: AddressedView): string {
  const asked = new URLSearchParams();
  if (view.station !== firstView.station) asked.set("station", view.station);
  if (view.drawing !== firstView.drawing) asked.set("drawing", view.drawing);
  if (view.line !== firstView.line) asked.set("line", String(view.line + 1));
  if (view.working !== null) asked.set("working", view.working);
  if (view.dialog !== null) asked.set("dialog", view.dialog);
  const text = asked.toString();
  return text === "" ? "" : `?${text}`;
}

/** Keeps the address and the view in step while a sheet is open: each change is a step that Back takes back. */
export function useAddress(): void {
  const { search } = useLocation();
  const navigate = useNavigate();
  const shown = useRef(search);
  useEffect(() => {
    shown.current = search;
    const asked = viewOf(search);
    if (searchOf(asked) !== searchOf(useView.getState())) useView.getState().set(asked);
  }, [search]);
  useEffect(
    () =>
      useView.subscribe((view) => {
        const next = searchOf(view);
        if (next === searchOf(viewOf(shown.current))) return;
        shown.current = next;
        void navigate({ search: next });
      }),
    [navigate],
  );
}
