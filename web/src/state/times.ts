/** Minutes after midnight as the clock shows them; past midnight with how many days later. */
export function clock(minutesOfDay: number): string {
  const whole = Math.round(minutesOfDay);
  const days = Math.floor(whole / 1440);
  const rest = whole - days * 1440;
  const text = `${String(Math.floor(rest / 60)).padStart(2, "0")}:${String(rest % 60).padStart(2, "0")}`;
  return days === 0 ? text : `${text} ${days > 0 ? "+" : "−"}${Math.abs(days)} d`;
}

export const minutes = (value: number): string => `${value < 0 ? "−" : ""}${Math.round(Math.abs(value))}`;

/** A difference in words: "+45 min", "−10 min", "no difference". */
export function spanOf(value: number): string {
  const whole = Math.round(value);
  return whole === 0 ? "no difference" : `${whole > 0 ? "+" : "−"}${Math.abs(whole)} min`;
}
