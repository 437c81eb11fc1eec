/**
 * At what pace products and water move: a span is as long as what it holds stays good for, twice the last at the most, and
 * is cut short where something switches.
 */

/** A stretch over which something is held: steps. */
export interface Pace {
  from: number;
  /** As it was meant; `until` is sooner where it was cut short. */
  span: number;
  until: number;
}

/** How long a span may be: steps. */
export interface Spans {
  least: number;
  most: number;
}

export const freshPace = (): Pace => ({ from: 0, span: 0, until: 0 });

/** Longest that anything is held for, s. */
export const LONGEST_SPAN = 1200;

/** Spans of twice, four times ... the least one, as long as that fits. */
export function spansOf(least: number, longest: number): Spans {
  let most = least;
  while (most * 2 <= longest) most *= 2;
  return { least, most };
}

/**
 * The span that comes, steps.
 * @param allowed so many steps would still be good, by what was seen over the last span
 */
export function nextSpan({ from }: Pace, now: number, { least, most }: Spans, allowed: number): number {
  const longest = Math.min(most, 2 * (now - from), allowed);
  let span = least;
  while (span * 2 <= longest) span *= 2;
  return span;
}

/** Begins a span. */
export function beginSpan(pace: Pace, from: number, span: number): void {
  pace.from = from;
  pace.span = span;
  pace.until = from + span;
}

/** Whether a span that ends now was meant to go on. */
export const wasCut = ({ from, span }: Pace, now: number): boolean => span > 0 && now < from + span;

/** Ends a span sooner, at a step; its least stretch is always held. */
export function cutShort(pace: Pace, { least }: Spans, at: number): void {
  pace.until = Math.min(pace.until, Math.max(pace.from + least, at));
}
