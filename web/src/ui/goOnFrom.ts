/**
 * Enter goes on to the next figure of the station; what a figure can be read from is passed over, where one does not come from
 * there, unless it stands among the measures. What could not be read is left in hand, to be written over.
 */
export function goOnFrom(field: HTMLInputElement): void {
  const among = field.closest("[data-onward]");
  // While what is missing leads, it leads.
  if (!among || document.querySelector("[data-missing-bar]")) return;
  const before = stops(among, field);
  // Once the page has drawn what was entered.
  setTimeout(() => {
    if (field.getAttribute("aria-invalid") === "true") {
      field.select();
      return;
    }
    const now = field.isConnected ? stops(among, field) : before;
    now[now.indexOf(field) + 1]?.focus();
  }, 0);
}

function stops(among: Element, field: HTMLElement): HTMLElement[] {
  const isReading = (f: HTMLElement) =>
    f.dataset["member"]?.startsWith("readings.") === true && f.closest("[data-measures]") === null;
  const all = [...among.querySelectorAll<HTMLElement>("input[data-member], button[data-onward-to]")];
  return all.filter((f) => f === field || isReading(field) || !isReading(f));
}
