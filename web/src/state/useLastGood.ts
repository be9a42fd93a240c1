import { useState } from "react";

/** An answer, or the last one until the next: what is shown stays while a plan is being mended. */
export function useLastGood<T>(answer: T | undefined): T | undefined {
  const [good, setGood] = useState<T>();
  if (answer !== undefined && answer !== good) setGood(answer);
  return answer ?? good;
}
