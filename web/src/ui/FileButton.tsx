import { useRef } from "react";
import { Button } from "./controls";

interface FileButtonProps {
  /** Name of the file field, for those who do not see the button. */
  label: string;
  /** Endings and media types, as a file field takes them. */
  accept: string;
  onFile: (file: File) => void;
  /** What the button says. */
  children: string;
}

/** A button that takes a file. The same file can be taken twice, for it may have been mended meanwhile. */
export function FileButton({ label, accept, onFile, children }: FileButtonProps) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={field}
        type="file"
        accept={accept}
        className="hidden"
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) onFile(file);
        }}
      />
      <Button
        onClick={() => {
          field.current?.click();
        }}
      >
        {children}
      </Button>
    </>
  );
}
