import type { CabinetKind, Vessel } from "../model";

/**
 * Natural convection between still air and the walls and vessels of a closed box, W/m²K: 2.0 to 2.5 by the correlation
 * of Churchill and Chu for vertical plates at differences of one to two kelvins (Incropera, chapter 9; checked in
 * films.test.ts).
 */
export const STILL_FILM = 2.25;
/** The same where a fan stirs the air: 8 to 15 W/m²K (Incropera, chapter 1, forced convection of gases). */
export const FAN_FILM = 10;
/** A fan takes so many times as much heat off a small body that is warmer or colder than the air by far (estimate). */
const FAN_ON_BODIES = 1.5;

/**
 * How natural convection grows with the difference between the air and what it meets: h goes with the fourth root of it
 * (Churchill and Chu, laminar; films.test.ts). In levels, so that each is one set of matrices: from how many kelvins on,
 * and how many times the film of small differences. The last is some 4 W/m²K at 20 to 30 K.
 */
export const FILM_LEVELS = [
  { from: 0, times: 1 },
  { from: 4, times: 1.3 },
  { from: 9, times: 1.55 },
  { from: 18, times: 1.85 },
] as const;
/** A level is left downwards only so far below where it began: what stands at its edge does not flutter. */
const LEAVES_AT = 0.8;

/** The level that a box is at with so large a difference, coming from another. */
export function filmLevel(difference: number, was: number): number {
  let level = 0;
  for (let l = 1; l < FILM_LEVELS.length; l++) {
    const from = FILM_LEVELS[l]!.from * (l <= was ? LEAVES_AT : 1);
    if (difference >= from) level = l;
  }
  return level;
}

/** Between which differences a box stays at its level, K. */
export const filmSpan = (level: number): { from: number; to: number } => ({
  from: FILM_LEVELS[level]!.from * LEAVES_AT,
  to: FILM_LEVELS[level + 1]?.from ?? Infinity,
});

/** Stefan and Boltzmann's constant, W/m²K⁴ (CODATA). */
const SIGMA = 5.670374419e-8;

/**
 * Radiation between a small surface and the surfaces all around it, W/m²K: 4·ε·σ·T³, linearised at T.
 * @param at °C
 */
export const radiation = (emissivity: number, at: number): number => 4 * emissivity * SIGMA * (at + 273.15) ** 3;

/** Plastic, glass, paint, food and water all radiate about alike; bare stainless steel hardly (Incropera, table A.11). */
export const EMISSIVITY = 0.9;
const STEEL = 0.25;

/** Share of the usual radiation that a vessel's surface takes and gives: bare steel hardly any, wrapped steel all. */
export const shineOf = ({ wall, jacket }: Pick<Vessel, "wall" | "jacket">): number =>
  wall === "steel" && jacket === 0 ? STEEL / EMISSIVITY : 1;

/** Boxes of still air, each with the temperature at which it is mostly held, °C. */
const stillBoxes: Partial<Record<CabinetKind, number>> = {
  upright: 20,
  underCounter: 20,
  fridgeFreezer: 20,
  wine: 20,
  chest: 20,
  foam: 31,
  warmBox: 40,
};
export const isStillAir = (kind: CabinetKind): boolean => stillBoxes[kind] !== undefined;

/** What the surface of a vessel in such a box exchanges with its lining by radiation, W/m²K. */
export const vesselRadiation = (kind: CabinetKind): number => radiation(EMISSIVITY, stillBoxes[kind] ?? 20);

/** So many times as much passes where a fan, or a kettle's pump, runs: between air and surfaces, and off bodies. */
export function stirring(kind: CabinetKind): { surfaces: number; bodies: number } {
  if (kind === "kettle") return { surfaces: 2, bodies: 2 };
  return { surfaces: isStillAir(kind) ? FAN_FILM / STILL_FILM : 1.6, bodies: FAN_ON_BODIES };
}
