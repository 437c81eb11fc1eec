import type { Cord } from "./plan";

/** How hands, calls and plugs stand while one looks. */
export interface Position {
  /** The plugs are in the wall. */
  live: boolean;
  heat: boolean;
  cold: boolean;
  /** The one thing that a hand has set otherwise than usual. */
  hand: string | null;
  /** Heater and cooler are plugged into their outlets. */
  plugged: boolean;
  /** Of two cords this one is pulled. */
  pulled: Cord | null;
}

export const dead: Position = { live: false, heat: false, cold: false, hand: null, plugged: false, pulled: null };

/** How the plugs stand in the wall, on which line of the house the second circuit is, how the supply lies to earth. */
export interface Orientation {
  turned: readonly [first: boolean, second: boolean];
  otherLine: boolean;
  /** Both conductors stand at half of the volts: an isolating transformer, or two lines of 115 V. */
  half: boolean;
}

export const straight: Orientation = { turned: [false, false], otherLine: false, half: false };
