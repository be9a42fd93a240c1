import { lazy, Suspense, type ReactNode } from "react";

export interface ModalProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
  wide?: boolean;
}

const Dialog = lazy(() => import("./opened/Dialog").then((m) => ({ default: m.Dialog })));

/** A ruled sheet over the page; what it is made of is fetched with the first one. */
export function Modal(props: ModalProps) {
  return (
    <Suspense>
      <Dialog {...props} />
    </Suspense>
  );
}
