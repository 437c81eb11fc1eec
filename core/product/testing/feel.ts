import type { Feels } from "../shape";

export const HOUR = 3600;

/** A product that is, and has around it, one temperature. */
export const feel = (t: number): Feels => ({
  core: t,
  surface: t,
  parts: [t],
  medium: t,
  film: 12,
  vapour: 1000,
  humidity: 0.75,
  wet: false,
});
