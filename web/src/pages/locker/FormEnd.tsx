import { Button } from "../../ui/controls";
import { Refused } from "../../ui/Refused";

interface FormEndProps {
  /** What is wrong with the whole, rather than with one field. */
  error: string | undefined;
  busy: boolean;
  onClose: () => void;
  keep: () => void;
  /** What keeping it is called here. */
  children: string;
}

/** The end of a form: what is wrong with the whole, leaving it, and keeping it. */
export function FormEnd({ error, busy, onClose, keep, children }: FormEndProps) {
  return (
    <>
      <Refused>{error}</Refused>
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onClose}>Not now</Button>
        <Button strong disabled={busy} onClick={keep}>
          {children}
        </Button>
      </div>
    </>
  );
}
