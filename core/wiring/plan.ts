import { coolersOn, heatersOn } from "../chamber";
import type { Chamber, Wiring } from "../model";

/** The two conductors of a kind of mains, what lies between them and between each and earth, V. */
interface Mains {
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

export const mainsTable: Record<Wiring["mains"], Mains> = {
  one230: {
    label: "230 V, line and neutral",
    twoLines: false,
    volts: 230,
    first: [1, 0],
    second: [0, 0],
    hertz: 50,
    american: false,
  },
  one120: {
    label: "120 V, line and neutral",
    twoLines: false,
    volts: 120,
    first: [1, 0],
    second: [0, 0],
    hertz: 60,
    american: true,
  },
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

/** What is wired: its choices, and what hangs on each outlet. */
export interface WiringPlan {
  wiring: Wiring;
  /** Which of the chamber's units it is of. */
  unit: number;
  /** W on the outlet for heat, and drawn by what cools; null: there is no such outlet. */
  heat: number | null;
  cold: number | null;
  /** A motor hangs on the cold outlet: a compressor. */
  motor: boolean;
}

/** What a compressor draws at a moment against the cold that it gives (estimate: a small machine on a worn cabinet). */
const DRAWN = 0.7;

/** A blower of a fire, W (estimate). */
const BLOWER = 10;

/** The plan of one of a chamber's units. */
export function wiringPlanOf(chamber: Chamber, which = 0): WiringPlan {
  const unit = chamber.controllers[which];
  const sum = (list: readonly number[]): number | null => (list.length > 0 ? list.reduce((a, b) => a + b, 0) : null);
  const cooled = coolersOn(chamber, unit!);
  return {
    wiring: chamber.wiring,
    unit: which,
    // A fire is blown on, not heated by the mains.
    heat: sum(heatersOn(chamber, unit!).flatMap((h) => (h.kind === "charcoal" ? [BLOWER] : [h.power]))),
    cold: sum(cooled.map((c) => c.power * DRAWN)),
    motor: cooled.some((c) => c.kind === "compressor"),
  };
}
