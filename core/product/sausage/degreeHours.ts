/** Kelvins in a degree Fahrenheit, and where degree-hours begin: 60 °F. */
const FAHRENHEIT = 5 / 9;
export const COUNTS_ABOVE = (60 - 32) * FAHRENHEIT;

/**
 * Most degree-hours above 60 °F (°F·h) until pH 5.3, by the highest temperature of the whole run, °C. Source: Good
 * Manufacturing Practices for Fermented Dry and Semi-Dry Sausage Products: 1200 below 90 °F, 1000 to 100, 900 above.
 */
export function degreeHoursAllowed(highest: number): number {
  const fahrenheit = highest / FAHRENHEIT + 32;
  return fahrenheit < 90 ? 1200 : fahrenheit <= 100 ? 1000 : 900;
}

/** Degree-hours that a span adds, °F·h, nothing below 60 °F. */
export const degreeHours = (t: number, hours: number): number => (Math.max(0, t - COUNTS_ABOVE) / FAHRENHEIT) * hours;

/** How a run stands: below 60 °F throughout no limit is known, which is not a pass. */
export type Judged = { verdict: "passes" | "fails"; sum: number; allowed: number } | { verdict: "no limit known" };

/** Judges a course of temperatures, straight lines between its points (hours, °C), up to the moment of pH 5.3. */
export function judgeDegreeHours(course: readonly (readonly [hours: number, t: number])[]): Judged {
  let sum = 0;
  let highest = -Infinity;
  for (let i = 0; i + 1 < course.length; i++) {
    const [[h0, t0], [h1, t1]] = [course[i]!, course[i + 1]!];
    highest = Math.max(highest, t0, t1);
    const hours = h1 - h0;
    if (hours <= 0) continue;
    // The part of a slope that lies above 60 °F, exactly.
    const [a, b] = [Math.max(0, t0 - COUNTS_ABOVE), Math.max(0, t1 - COUNTS_ABOVE)];
    const above = a > 0 && b > 0 ? 1 : Math.abs(t1 - t0) < 1e-12 ? 0 : Math.max(a, b) / Math.abs(t1 - t0);
    sum += ((a + b) / 2 / FAHRENHEIT) * hours * above;
  }
  if (highest <= COUNTS_ABOVE) return { verdict: "no limit known" };
  const allowed = degreeHoursAllowed(highest);
  return { verdict: sum <= allowed ? "passes" : "fails", sum, allowed };
}
