import type { HeaterKind } from "../model";

/** Stefan and Boltzmann's constant, W/m²K⁴ (CODATA), and 0 °C in K. */
const SIGMA = 5.670374419e-8;
const KELVIN = 273.15;

/** The hottest outer face of a kind of heater: what one can touch of it. Areas and shares are estimates. */
interface FaceOf {
  /** m² of a face of so many watts; areas grow with the power to `grows`. */
  area: number;
  at: number;
  grows: number;
  /** Share of the power that leaves by the face itself. */
  share: number;
  emissivity: number;
  /** What the air rises along, m. */
  across: number;
  /** Nothing may touch it, whatever it is: a lamp, an open element, a fire. */
  open?: true;
  /** What it is a face of. */
  of: string;
}

/**
 * Faces of the heaters that stand in air. A bulb of 60 W has 0.011 m² and lets a good third of its power out as light and
 * near heat; a ceramic lamp of 100 W has 0.0175 m² (values from memory).
 */
const faces: Partial<Record<HeaterKind, FaceOf>> = {
  tube: { area: 0.05, at: 60, grows: 1, share: 1, emissivity: 0.9, across: 0.045, of: "its tube" },
  lamp: { area: 0.0175, at: 100, grows: 0.7, share: 0.85, emissivity: 0.9, across: 0.08, open: true, of: "its face" },
  bulb: { area: 0.011, at: 60, grows: 0.7, share: 0.62, emissivity: 0.9, across: 0.06, open: true, of: "its glass" },
  belt: { area: 0.06, at: 25, grows: 1, share: 1, emissivity: 0.9, across: 0.05, of: "the belt" },
  mat: { area: 0.12, at: 20, grows: 1, share: 1, emissivity: 0.9, across: 0.25, of: "the mat" },
  // Its wires glow behind a grille; the grille itself is in the blown air.
  fanHeater: {
    area: 0.02,
    at: 1000,
    grows: 1,
    share: 0.04,
    emissivity: 0.9,
    across: 0.1,
    open: true,
    of: "its grille",
  },
};

/** How far areas and shares may be off: the upper end has the smaller face and more of the power. */
const SPREAD = 1.25;
/** Covered by something on one side it has half of its face left. */
const COVERED = 0.5;

/** Natural convection around a body so far across, W/m²K: 1.32·(ΔT/D)^¼ (McAdams, as in Incropera; value from memory). */
const rising = (difference: number, across: number): number => 1.32 * (Math.max(0, difference) / across) ** 0.25;

/**
 * Temperature of a face that gives off so many watts a square metre by natural convection and radiation, °C.
 * @param flux W/m²
 * @param around air and what it sees, °C
 */
export function faceAt(flux: number, around: number, emissivity: number, across: number): number {
  let [low, high] = [around, around + 2000];
  const walls = (around + KELVIN) ** 4;
  while (high - low > 0.01) {
    const t = (low + high) / 2;
    const gives = rising(t - around, across) * (t - around) + emissivity * SIGMA * ((t + KELVIN) ** 4 - walls);
    if (gives < flux) low = t;
    else high = t;
  }
  return (low + high) / 2;
}

/** How hot the face of a heater gets that runs without a pause, °C. */
export interface Face {
  of: string;
  /** In free air, and what it may be with a smaller face and more of the power. */
  usual: number;
  upper: number;
  /** Covered on one side, at the upper end: what may touch it is judged by this. */
  covered: number;
  /** Nothing may touch it: what stands by it keeps a distance. */
  open: boolean;
  /** Heat that it radiates, at the upper end, W. */
  radiates: number;
}

/** The face of a heater of some power in air of a temperature; null for one that has none in the air of the box. */
export function faceOf(kind: HeaterKind, power: number, around: number): Face | null {
  const face = faces[kind];
  if (!face || power <= 0) return null;
  const area = face.area * (power / face.at) ** face.grows;
  const flux = (face.share * power) / area;
  const at = (times: number) => faceAt(flux * times, around, face.emissivity, face.across);
  const upper = at(SPREAD);
  return {
    of: face.of,
    usual: at(1),
    upper,
    covered: at(SPREAD / COVERED),
    open: face.open === true,
    // What does not leave by the face shines through it.
    radiates:
      face.emissivity * SIGMA * ((upper + KELVIN) ** 4 - (around + KELVIN) ** 4) * area +
      (kind === "bulb" ? (1 - face.share) * power : 0),
  };
}

/** A surface that is shone on gives its heat to the air and the walls by so much, W/m²K (estimate). */
const GIVES_ON = 10;
/** A bare source shines to one side twice as much as evenly (a reflector, or the wall behind it: estimate). */
const ONE_SIDED = 2;
/** Nothing stands nearer than this to what nothing may touch, m (common practice, no source). */
const NEAREST = 0.1;

/**
 * How far something that bears a temperature has to stand from an open face, m: there its surface, shone on, comes to it
 * while the air is as it is. Null where the air alone is too warm for it.
 */
export function distanceFor({ radiates }: Pick<Face, "radiates">, bears: number, around: number): number | null {
  const bearable = (bears - around) * GIVES_ON;
  if (bearable <= 0) return null;
  return Math.max(NEAREST, Math.sqrt((ONE_SIDED * radiates) / (4 * Math.PI * bearable)));
}
