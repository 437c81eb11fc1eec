import type { Wiring } from "../model";

/** The two conductors of a kind of mains, what lies between them and between each and earth, V. */
export interface Mains {
  label: string;
  /** The second conductor is live too. */
  twoLines: boolean;
  volts: number;
  /** From each conductor to earth, V as a share of what lies between: phasors whose difference is one. */
  first: readonly [re: number, im: number];
  second: readonly [re: number, im: number];
  hertz: number;
  american: boolean;
}

const lineAndNeutral = (volts: number, hertz: number, american: boolean): Mains => ({
  label: `${volts} V, line and neutral`,
  twoLines: false,
  volts,
  first: [1, 0],
  second: [0, 0],
  hertz,
  american,
});

export const mainsTable: Record<Wiring["mains"], Mains> = {
  one230: lineAndNeutral(230, 50, false),
  one120: lineAndNeutral(120, 60, true),
  // Japan: 50 Hz in the east, 60 Hz in the west; the wires are sized by millimetres.
  one100: lineAndNeutral(100, 50, false),
  two240: {
    label: "240 V, two lines",
    twoLines: true,
    volts: 240,
    first: [0.5, 0],
    second: [-0.5, 0],
    hertz: 60,
    american: true,
  },
  // Two legs of three, 120° apart: each 120 V from earth.
  two208: {
    label: "208 V, two lines of three",
    twoLines: true,
    volts: 208,
    first: [0.5, 1 / (2 * Math.sqrt(3))],
    second: [-0.5, 1 / (2 * Math.sqrt(3))],
    hertz: 60,
    american: true,
  },
};

/** What the two conductors are called. */
export const poleNames = ({ mains }: Pick<Wiring, "mains">): readonly [first: string, second: string] =>
  mainsTable[mains].twoLines ? ["first line", "second line"] : ["line", "neutral"];
