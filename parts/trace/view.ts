/** A stretch of time that a chart shows, s from the start of the trial. */
export interface View {
  from: number;
  to: number;
}

/** The narrowest that a chart shows, s. */
export const NARROWEST = 10 * 60;

/** A view kept within the trial, as wide as it was where that is possible. */
export function keepWithin({ from, to }: View, end: number): View {
  const width = Math.min(end, Math.max(Math.min(NARROWEST, end), to - from));
  const start = Math.min(Math.max(0, from), end - width);
  return { from: start, to: start + width };
}

/** A view zoomed by a factor (below 1: closer) around a moment that keeps its place on the screen. */
export function zoomed(view: View, factor: number, around: number, end: number): View {
  const width = Math.min(end, Math.max(Math.min(NARROWEST, end), (view.to - view.from) * factor));
  const share = (around - view.from) / (view.to - view.from);
  return keepWithin({ from: around - share * width, to: around + (1 - share) * width }, end);
}

export const panned = (view: View, by: number, end: number): View =>
  keepWithin({ from: view.from + by, to: view.to + by }, end);

export const isWhole = (view: View, end: number): boolean => view.from <= 0 && view.to >= end;
