/** How hours are written here: "15:00", or "3:00 pm" where that is what people read. */
let twelve = false;

/** Says how hours are written from now on, on this page or in this worker. */
export function writeClock(as: "12" | "24"): void {
  twelve = as === "12";
}

/** What a language writes: the setting of its own locale. */
export const clockOf = (language: string): "12" | "24" =>
  new Intl.DateTimeFormat(language, { hour: "numeric" }).resolvedOptions().hour12 ? "12" : "24";

const two = (n: number) => String(n).padStart(2, "0");

/** A time of day from minutes after midnight. */
export function clockText(minutes: number): string {
  const inDay = ((Math.round(minutes) % 1440) + 1440) % 1440;
  const [hour, minute] = [Math.floor(inDay / 60), inDay % 60];
  return twelve ? `${hour % 12 || 12}:${two(minute)}\u00a0${hour < 12 ? "am" : "pm"}` : `${two(hour)}:${two(minute)}`;
}
