import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import type { ReactNode } from "react";

interface ModalProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
  wide?: boolean;
}

/** A ruled sheet over the page. */
export function Modal({ title, onClose, children, wide = false }: ModalProps) {
  return (
    <Dialog open onClose={onClose} className="relative z-20">
      <DialogBackdrop className="fixed inset-0 bg-ink/40" />
      <div className="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel
          className={`max-h-full overflow-auto border-2 border-ink bg-sheet p-5 ${wide ? "w-[720px]" : "w-[460px]"} max-w-full`}
        >
          <DialogTitle className="mb-3 font-tight text-lg font-semibold">{title}</DialogTitle>
          {children}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
