import { useEffect } from "react";
import type { Plan } from "../api/types";
import { useSheet } from "../state/store";
import { useView } from "../state/view";
import { withPoints } from "./sitePlan";

/** Enter finishes a target that is being drawn, Escape forgets it. */
export function useDraftKeys(plan: Plan): void {
  const draft = useView((s) => s.draft);
  useEffect(() => {
    if (!draft) return undefined;
    function onKey(event: KeyboardEvent): void {
      if (event.key === "Escape") useView.getState().set({ draft: null });
      if (event.key === "Enter") finishDraft(plan);
    }
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("keydown", onKey);
    };
  }, [draft, plan]);
}

/** Puts what was drawn among the targets. */
export function finishDraft(plan: Plan): void {
  const { draft, set } = useView.getState();
  if (!draft || draft.points.length === 0) return;
  const drawn = withPoints(draft.kind, plan, draft.points);
  useSheet
    .getState()
    .edit((d) => ({ ...d, plan: { ...d.plan, site: { ...d.plan.site, targets: [...d.plan.site.targets, drawn] } } }));
  set({ draft: null, target: drawn.id });
}
