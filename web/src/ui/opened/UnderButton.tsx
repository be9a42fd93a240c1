import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { useEffect, useRef, type ReactNode } from "react";
import type { Opened } from "../choiceParts";

interface UnderButtonProps extends Opened {
  text: ReactNode;
  className: string;
  /** What opens; given how to close it. */
  children: (close: () => void) => ReactNode;
}

/** A sheet that opens under its button. */
export function UnderButton({ text, className, children, before }: UnderButtonProps) {
  const button = useRef<HTMLButtonElement | null>(null);
  useEffect(() => {
    if (before.focused) button.current?.focus();
    if (before.opened) button.current?.click();
  }, [before]);
  return (
    <Popover>
      <PopoverButton ref={button} className={className}>
        {text}
      </PopoverButton>
      <PopoverPanel className="absolute left-0 top-full z-30 mt-2 max-h-[80vh] w-[560px] max-w-[92vw] overflow-auto border-2 border-ink bg-sheet p-4">
        {({ close }) => <>{children(close)}</>}
      </PopoverPanel>
    </Popover>
  );
}
