/** Most brackets and commas of a text that comes in: each is an entry that takes memory once it is unpacked. */
export const MOST_ENTRIES = 4_000_000;

/** Whether a text unpacks to more entries than any that is ours. It is looked through, not unpacked. */
export function isSwollen(text: string, most = MOST_ENTRIES): boolean {
  let entries = 0;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    // , [ {
    if ((c === 44 || c === 91 || c === 123) && ++entries > most) return true;
  }
  return false;
}

/** A key that no record of ours has, and that in some languages changes every object. */
const FOREIGN = "__proto__";

/** Whether anything in parsed data has a key that is foreign to all of it: such data are refused, not mended. */
export function hasForeignKey(data: unknown): boolean {
  const waiting: unknown[] = [data];
  while (waiting.length > 0) {
    const next = waiting.pop();
    if (typeof next !== "object" || next === null) continue;
    if (!Array.isArray(next) && Object.hasOwn(next, FOREIGN)) return true;
    for (const value of Object.values(next)) if (typeof value === "object" && value !== null) waiting.push(value);
  }
  return false;
}
