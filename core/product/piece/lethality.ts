/** Below this at the core nothing is counted and no claim is made, °C (the stricter of two practices). */
export const COUNTS_FROM = 54.4;

/** The core has to be through it by then: advised, and the latest (FSIS; Baldwin; values from memory), h. */
export const COME_UP = { advised: 4, latest: 6 } as const;

/** Time of one tenfold fall at 60 °C, min, and kelvins for a tenfold faster one. */
export interface Kill {
  minutesAt60: number;
  z: number;
  /** Tenfold falls that are asked for. */
  wanted: number;
  source: string;
}

/**
 * By what the food is: never shorter than the tables that it follows.
 * Whole muscle: an envelope of the roast table of the FDA Food Code 3-401.11(B), 6.5 tenfold falls. Poultry: an envelope
 * over recalled points of the FSIS tables, 7 tenfold falls: an estimate. Minced meat follows no roast table: with poultry.
 */
export const killOf = {
  whole: { minutesAt60: 1.95, z: 5.556, wanted: 6.5, source: "FDA Food Code 3-401.11(B), roasts" },
  poultry: { minutesAt60: 40 / 7, z: 6, wanted: 7, source: "FSIS tables for poultry, values from memory" },
  minced: { minutesAt60: 40 / 7, z: 6, wanted: 7, source: "as poultry, the more cautious" },
  fish: { minutesAt60: 1.95, z: 5.556, wanted: 6.5, source: "as whole muscle; fish spoils otherwise too" },
} as const satisfies Record<string, Kill>;

/** Tenfold falls a minute at a core temperature, L′ = 10^((T − 60)/z)/D60; nothing below 54.4 °C. */
export const lethalRate = (t: number, { minutesAt60, z }: Kill): number =>
  t < COUNTS_FROM ? 0 : 10 ** ((t - 60) / z) / minutesAt60;

/** Minutes at one core temperature for what is asked, by the same. Infinity below 54.4 °C. */
export const minutesAt = (t: number, kill: Kill): number => {
  const rate = lethalRate(t, kill);
  return rate > 0 ? kill.wanted / rate : Infinity;
};
