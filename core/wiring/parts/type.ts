import type { LineName } from "../lines";
import type { Cord, OutletName, WiringPlan } from "../plan";

/** What a conductor's end is dressed with, by what the pin takes. */
export type End = "ferrule" | "ring" | "fork" | "push-on" | "screw";

/**
 * What a pin is to somebody who looks for danger. `source`: of a plug or a fixed cable; `socket`: an outlet's contact;
 * `load`: of what is plugged in; `metal`: may be touched, and is earthed; `low`: beyond the barrier; `inner`: the rest.
 */
export type Role =
  | { is: "source"; cord: Cord; pole: 1 | 2 | "e" }
  | { is: "socket"; outlet: OutletName; pole: 1 | 2 | "e" }
  | { is: "load"; outlet: OutletName; pole: 1 | 2 | "e" }
  | { is: "metal" }
  | { is: "low" }
  | { is: "inner" };

export interface Pin {
  /** Within its part; the pin itself is called `part.key`. */
  key: string;
  /** As a person reads it. */
  name: string;
  role: Role;
  end: End;
  /** What it takes, mm², and how many conductors. */
  sizes: readonly [number, number];
  takes: number;
  /** How far outside of the enclosure it is, m; 0: within. */
  away: number;
}

/** Where a part stands on a line: between what comes before and after it by `rank`, or at the line's end as a tap. */
export interface Place {
  line: LineName;
  rank: number;
  /** Keys of its pins; a stop with one pin is passed through it. */
  in: string;
  out?: string;
  /** Hangs on the end of the line, beside what else hangs there. */
  tap?: true;
  /** What comes after it is switched. */
  switches?: true;
}

/** What a part looks at to know whether it is closed. */
export interface Look {
  /** A thing that a hand moves stands otherwise than usual. */
  hand: (name: string) => boolean;
  /** The unit has its supply and calls. */
  called: (o: OutletName) => boolean;
  /** Mains lie between two pins; `driven`: low voltage of the unit's drive for that outlet does. */
  powered: (a: string, b: string) => boolean;
  driven: (plus: string, minus: string) => boolean;
}

/** Something between two pins of a part (or of two: full names). */
export interface Join {
  key: string;
  a: string;
  b: string;
  /**
   * `metal`: a conductor or a contact. `load`: lets current through on purpose. `leak`: a capacitor, open to direct
   * current. `open`: nothing, but a contact that is never to close by itself.
   */
  is: "metal" | "load" | "leak";
  /** What a meter finds there, dead, Ω: at the least and at the most. Of metal nothing is said. */
  dead?: readonly [number, number];
  /** Under the mains: Ω, F. */
  ohms?: number;
  farads?: number;
  /** Whether it is closed; without it always. `live`: closed under voltage alone, by something that is powered. */
  closed?: (look: Look) => boolean;
  live?: true;
}

/** How one of its own faults changes what a part joins. */
export type JoinFault = "closed" | "open" | "inverse" | "half";

/** Something that a hand can set otherwise, with nothing powered. */
export interface Hand {
  name: string;
  /** "main switch off" */
  says: string;
  /**
   * `cuts`: with it so, all behind it has no voltage. `fuse`: one that has blown does the same. `ends`: takes the outlet's
   * voltage away. `lever`: closes by hand. `lifted`: wires taken off for the while.
   */
  kind: "cuts" | "fuse" | "ends" | "lever" | "lifted";
  cord?: Cord;
  outlet?: OutletName;
  /** Pins (keys) whose wires are off while it is so. */
  lifts?: readonly string[];
}

/** What can be wrong inside of a part, or with how it is fitted. */
export interface OwnFault {
  key: string;
  is: string;
  mend: string;
  /** Its joins, by key. */
  sets?: Readonly<Record<string, JoinFault>>;
  /** Wires that end at each other's pin: pairs of keys or full names. */
  swaps?: readonly (readonly [string, string])[];
  /** Pins that meet (keys, or full names), Ω dead. */
  joins?: readonly { a: string; b: string; dead?: readonly [number, number] }[];
  /** It stands in another line than it should. */
  standsIn?: LineName;
  /** It is not in its line: the line passes it by. */
  leftOut?: true;
  /** The dead proof has to tell it, dangerous or not: a switch that does not open what it should. */
  asked?: true;
}

/** Symbols of the ladder. */
export type SymbolName =
  "contact" | "solid" | "coil" | "fuse" | "switch" | "cutOut" | "outlet" | "lamp" | "box" | "block";

/** What is bought for it; `each`: how many. */
export interface Bought {
  key: string;
  name: string;
  quantity: number;
}

/** One part as it stands in a plan. */
export interface Part {
  id: string;
  type: string;
  label: string;
  outlet?: OutletName;
  cord?: Cord;
  pins: Pin[];
  places: Place[];
  joins: Join[];
  hands: Hand[];
  faults: OwnFault[];
  /** Pins that lie beside each other, by key: their wires may be exchanged, and they may touch. */
  beside: readonly (readonly [string, string])[];
  /** Pins that may touch and are not to be exchanged: low voltage and the mains, a conductor and metal. */
  touching: readonly (readonly [string, string])[];
  /** Low voltage that it puts out when it calls, while mains lie between two of its pins. */
  drives: readonly { outlet: OutletName; plus: string; minus: string; fed: readonly [string, string] }[];
  /** Heat at full load, W. */
  watts: number;
  /** In the enclosure, m, and in which row from above; null: it stands elsewhere. */
  size: {
    width: number;
    height: number;
    row: "electronics" | "front" | "relays" | "way" | "low";
    depth?: number;
  } | null;
  symbol: SymbolName;
  bought: Bought[];
  /** Its own paper names its pins. */
  paper?: true;
  /** What may flow through it for hours, A, of a motor (0: not said), and what the part is called; null: no matter. */
  rating: { amps: number; motorAmps: number | null; name: string } | null;
}

/** A type of part: all of its kind that stand in a plan. */
export interface PartType {
  type: string;
  of: (plan: WiringPlan) => Part[];
}
