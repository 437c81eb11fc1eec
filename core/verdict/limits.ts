/** More reversals than this a day are no weather: day and night alone can turn a chamber round twice. */
export const CHASE_PER_DAY = 3;
/** More starts of a compressor than this an hour wear it out (common practice, no source). */
export const MANY_STARTS = 4;
/** Relays are made for some hundred thousand operations: more starts of a heater an hour wear one out in a season. */
export const MANY_HEATS = 8;
