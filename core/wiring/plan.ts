import { coolersOn, heatersOn } from "../chamber";
import type { Chamber, Heater, Wiring } from "../model";

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
  /** What a meter finds between the pins of what heats, Ω, cold and hot; null: its electronics hide it. */
  heatOhms: Readonly<{ low: number; high: number }> | null;
  /** Terminals of the unit as its own paper names them. */
  names: Readonly<Record<string, string>>;
}

/** What a compressor draws at a moment against the cold that it gives (estimate: a small machine on a worn cabinet). */
const DRAWN = 0.7;

/** A blower of a fire, W (estimate). */
const BLOWER = 10;

/** Heaters that are lamps: tungsten has a twelfth of its ohms while it is cold (estimate). */
const isTungsten = (h: Heater): boolean => h.kind === "bulb";
const COLD_TUNGSTEN = 12;
/** Most elements are made within −10 and +5 % of their power (IEC 60335-1; from memory). */
const POWER_SPAN = { low: 0.9, high: 1.05 } as const;

/** What lies between the pins of a heater, Ω: cold and hot, within the span of its making; of several each has its own. */
function ohmsOf(heaters: readonly Heater[], volts: number): WiringPlan["heatOhms"] {
  const real = heaters.filter((h) => h.power > 0);
  const hidden = real.some((h) => h.kind === "charcoal" || h.kind === "fanHeater" || h.staysOff || h.ownThermostat);
  const [only] = real;
  if (!only || real.length > 1 || hidden) return null;
  const watts = (times: number) => only.power * (isTungsten(only) ? times : 1);
  return {
    low: volts ** 2 / (watts(COLD_TUNGSTEN) * POWER_SPAN.high),
    high: volts ** 2 / (watts(1) * POWER_SPAN.low),
  };
}

/** The plan of one of a chamber's units; `names`: what its paper calls its terminals. */
export function wiringPlanOf(chamber: Chamber, which = 0, names: WiringPlan["names"] = {}): WiringPlan {
  const unit = chamber.controllers[which];
  const sum = (list: readonly number[]): number | null => (list.length > 0 ? list.reduce((a, b) => a + b, 0) : null);
  const cooled = coolersOn(chamber, unit!);
  const heaters = heatersOn(chamber, unit!);
  return {
    wiring: chamber.wiring,
    unit: which,
    // A fire is blown on, not heated by the mains.
    heat: sum(heaters.map((h) => (h.kind === "charcoal" ? BLOWER : h.power))),
    cold: sum(cooled.map((c) => c.power * DRAWN)),
    motor: cooled.some((c) => c.kind === "compressor"),
    heatOhms: ohmsOf(heaters, mainsTable[chamber.wiring.mains].volts),
    names,
  };
}
