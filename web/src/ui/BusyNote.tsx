import { useBusy } from "./busy";

/** Says that something waits its turn, over the foot of the page. */
export function BusyNote() {
  const text = useBusy((s) => s.text);
  return text === null ? null : (
    <p
      role="status"
      data-busy
      className="fixed bottom-2 left-1/2 z-30 max-w-[92vw] -translate-x-1/2 border border-ink bg-sheet px-3 py-1.5 text-sm"
    >
      {text}
    </p>
  );
}
