import { hasLid, isRound, massOf } from "../chamber";
import type { Chamber, LoadedVessel } from "../model";

/** Getting a full vessel into the box. */
export interface Lift {
  /** How high its foot has to be lifted, m, and how heavy it is, kg. */
  height: number;
  mass: number;
  /** Alone, by two, or not at all by hand: filled where it stands. */
  hands: "one" | "two" | "fill it there";
}

/** Empty vessel as a share of what is in it (estimate). */
const VESSEL = 0.08;
/**
 * What one person lifts now and then, kg: close to the body at the height of the hands 25, at arm's length over a rim 15;
 * two together take two thirds of twice that (HSE, manual handling guideline filter; values from memory).
 */
const CLOSE = 25;
const OVER_RIM = 15;
const TWO = 4 / 3;

/** The lift of one vessel of an entry: over the rim of what opens from above, onto the floor of the rest. */
export function liftOf({ cabinet }: Pick<Chamber, "cabinet">, vessel: LoadedVessel): Lift {
  const rim = hasLid(cabinet.kind);
  const mass = massOf(vessel) * (1 + VESSEL);
  const most = rim ? OVER_RIM : CLOSE;
  const hands = mass <= most ? "one" : mass <= most * TWO ? "two" : rim ? "fill it there" : "two";
  return { height: rim ? cabinet.height + cabinet.collar : 0.15, mass, hands };
}

/** Room that a door or a lid takes as it opens, m: out in front of the box, and up from the ground. */
export interface Swing {
  front: number;
  /** 0: the box opens to the front. */
  up: number;
}

/**
 * A door that hangs on one side swings out by the width of the box; a lid that hangs at the back
 * stands up by the depth. Round ones are lifted off.
 */
export function swingOf({ cabinet }: Pick<Chamber, "cabinet">): Swing {
  const { kind, width, depth, height, collar } = cabinet;
  if (isRound(kind)) return { front: 0, up: 0 };
  return hasLid(kind) ? { front: 0, up: height + collar + depth } : { front: width, up: 0 };
}
