import type { JoinFault } from "./parts";
import type { Cord } from "./plan";

/** A fault as a change of the netlist. Pins by their full names. */
export interface Change {
  /** Wires that are off, and one whose joint is poor: 1 to 100 Ω. */
  off?: readonly string[];
  poor?: string;
  /** Pins whose wires end at each other's. */
  swap?: readonly (readonly [string, string])[];
  /** Single wires that end at each other's pin, of several that are there: the wire, and the end that it has there. */
  cross?: readonly (readonly [wire: string, end: string, other: string, otherEnd: string])[];
  /** Pins that meet: metal to metal, or through so many Ω. */
  add?: readonly { a: string; b: string; dead?: readonly [number, number] }[];
  /** Joins of parts that do otherwise, by `part.join`. */
  sets?: Readonly<Record<string, JoinFault>>;
  /** The socket in the wall gives its two conductors the other way round. */
  house?: Cord;
}

/** One thing that can be wrong, or none. */
export interface Fault {
  key: string;
  is: string;
  mend: string;
  change: Change;
  /** `house`: not of this wiring. `load`: of what is plugged in. */
  /** The dead proof has to tell it, dangerous or not. */
  asked?: true;
  of: "none" | "wire" | "pins" | "low" | "part" | "load" | "house";
}

export const NONE: Fault = { key: "none", is: "Nothing is wrong", mend: "", change: {}, of: "none" };

/** Two things wrong at a time. */
export const both = (a: Fault, b: Fault): Fault => ({
  key: `${a.key} + ${b.key}`,
  is: `${a.is}, and ${b.is.charAt(0).toLowerCase()}${b.is.slice(1)}`,
  mend: `${a.mend} ${b.mend}`,
  of: a.of,
  change: {
    off: [...(a.change.off ?? []), ...(b.change.off ?? [])],
    ...((a.change.poor ?? b.change.poor) ? { poor: (a.change.poor ?? b.change.poor)! } : {}),
    swap: [...(a.change.swap ?? []), ...(b.change.swap ?? [])],
    cross: [...(a.change.cross ?? []), ...(b.change.cross ?? [])],
    add: [...(a.change.add ?? []), ...(b.change.add ?? [])],
    sets: { ...a.change.sets, ...b.change.sets },
    ...((a.change.house ?? b.change.house) ? { house: (a.change.house ?? b.change.house)! } : {}),
  },
});
