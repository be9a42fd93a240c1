import { Portal } from "@headlessui/react";
import { useContext, type ReactNode } from "react";
import { InDialog, overlays } from "../overlays";

/** What opens over the page stands in the landmark for it; in a dialog, in the dialog. */
export function Over({ children }: { children: ReactNode }) {
  const inDialog = useContext(InDialog);
  return inDialog ? children : <Portal.Group target={overlays}>{children}</Portal.Group>;
}

/** Opens a list or menu by its button, as the arrow key does. */
export function openBy(button: HTMLElement | null): void {
  button?.dispatchEvent(new KeyboardEvent("keydown", { key: "ArrowDown", bubbles: true }));
}
