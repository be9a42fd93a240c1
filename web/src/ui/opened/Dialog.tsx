import { Dialog as Sheet, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import { InDialog } from "../overlays";
import type { ModalProps } from "../Modal";

/** A ruled sheet over the page. */
export function Dialog({ title, onClose, children, wide = false }: ModalProps) {
  return (
    <Sheet open onClose={onClose} className="relative z-20">
      <DialogBackdrop className="fixed inset-0 bg-ink/40" />
      <div className="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel
          className={`max-h-full overflow-auto border-2 border-ink bg-sheet p-5 ${wide ? "w-[720px]" : "w-[460px]"} max-w-full`}
        >
          <DialogTitle className="mb-3 font-tight text-lg font-semibold">{title}</DialogTitle>
          <InDialog value={true}>{children}</InDialog>
        </DialogPanel>
      </div>
    </Sheet>
  );
}
