import type { OutletName } from "./wires";

/** What is plugged in where while one looks. */
export interface State {
  /** The plugs are in the wall. */
  live: boolean;
  heatOn: boolean;
  coldOn: boolean;
  mainOn: boolean;
  /** A fuse has been taken out of its holder: that of the first cord, or of the second. */
  fuseOut?: 1 | 2;
  /** A test load on an outlet, Ω; null: nothing. */
  load: Readonly<Record<OutletName, number | null>>;
  /** Heater and cooler are plugged into their outlets. */
  plugged?: true | undefined;
  /** Something leaks past each contact besides: a charger's capacitor, a damp cord. */
  leaky?: true;
  /** Of two cords this one is pulled. */
  pulled?: 1 | 2;
  /** What heats has so many Ω, cold or hot, where that is measured. */
  own?: number;
}

export const idle: State = {
  live: true,
  heatOn: false,
  coldOn: false,
  mainOn: true,
  load: { heat: null, cold: null },
};

/** A state in a few letters: two that differ in anything have two of them. */
export const stateKey = ({ live, heatOn, coldOn, mainOn, fuseOut, load, plugged, leaky, pulled, own }: State): string =>
  `${live ? "l" : ""}${heatOn ? "h" : ""}${coldOn ? "c" : ""}${mainOn ? "m" : ""}${plugged ? "p" : ""}${leaky ? "y" : ""}` +
  `|${fuseOut ?? ""}|${pulled ?? ""}|${load.heat ?? ""}|${load.cold ?? ""}|${own ?? ""}`;

/** One thing that can be wrong. `wire`: which conductor is off; `cord`: that of the first or the second plug. */
export type Fault =
  | { kind: "none" }
  | { kind: "linkKept" }
  | { kind: "secondLinkKept" }
  | { kind: "swapped"; cord: 1 | 2 }
  | { kind: "crossed" }
  | { kind: "fuseInSecond"; cord: 1 | 2 }
  | { kind: "secondsJoined" }
  | { kind: "neutralToEarth"; at: OutletName }
  | { kind: "welded"; at: OutletName; pole: 1 | 2 }
  | { kind: "cutOutOpen" }
  | { kind: "loadOpen" }
  | { kind: "loadShort" }
  | { kind: "loadToEarth"; at: OutletName }
  | { kind: "wireOff"; wire: string };

export const faultKey = (f: Fault): string => {
  if (f.kind === "wireOff") return `off:${f.wire}`;
  const at = "at" in f ? `:${f.at}` : "";
  // What concerns the first of two keeps a plain name.
  const second = ("cord" in f && f.cord === 2) || ("pole" in f && f.pole === 2) ? ":2" : "";
  return `${f.kind}${at}${second}`;
};

/** How the plugs stand in the wall, and on which phase the second circuit is. */
export interface Orientation {
  turned: readonly [first: boolean, second: boolean];
  /** The second cord's circuit hangs on another line of the house. */
  otherLine: boolean;
}

export const straight: Orientation = { turned: [false, false], otherLine: false };
