import { useState } from "react";
import { Refusal } from "../../api/client";

/** Sending a form: the server's sentences by field while it is refused, and what came back when it was kept. */
export function useKeeping<T>(send: () => Promise<T>, onKept: (kept: T) => void) {
  const [errors, setErrors] = useState<Record<string, string | undefined>>({});
  const [busy, setBusy] = useState(false);

  async function keep(): Promise<void> {
    setBusy(true);
    try {
      const kept = await send();
      setErrors({});
      onKept(kept);
    } catch (error) {
      if (!(error instanceof Refusal))
        setErrors({ "": "Draklo does not answer. Nothing is lost: try again once it runs." });
      else {
        const byField = Object.fromEntries(
          Object.entries(error.errors).map(([path, sentences]) => [path.replace(/^item\./, ""), sentences[0]]),
        );
        setErrors(Object.keys(byField).length > 0 ? byField : { "": error.message });
      }
    } finally {
      setBusy(false);
    }
  }

  return {
    errors,
    busy,
    keep: () => {
      void keep();
    },
  };
}
