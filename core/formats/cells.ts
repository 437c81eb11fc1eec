/** A number with a point or a comma; NaN where it is none. */
export const number = (text: string): number =>
  /^\s*[+\-\u2212]?\d+([.,]\d+)?\s*$/.test(text) ? Number(text.trim().replace(",", ".").replace("\u2212", "-")) : NaN;
