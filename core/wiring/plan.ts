import { coolersOn, heatersOn } from "../chamber";
import type { Chamber, Cooler, Heater, Wiring } from "../model";
import { mainsTable } from "./mains";

export type OutletName = "heat" | "cold";
export type Cord = 1 | 2;

/** What hangs on one outlet. */
export interface Load {
  /** Drawn while it runs, W. */
  watts: number;
  /** Running and for its first moment, A: at the upper end of what is known. */
  amps: number;
  starts: number;
  /** A compressor, a fan or a blower: a rating for resistive loads says nothing of it. */
  motor: boolean;
}

/** What is wired: its choices, and what hangs on each outlet. */
export interface WiringPlan {
  wiring: Wiring;
  /** Which of the chamber's units it is of. */
  unit: number;
  /** Null: there is no such outlet. */
  heat: Load | null;
  cold: Load | null;
  /** What a meter finds between the pins of what heats, Ω, cold and hot; null: its electronics hide it. */
  heatOhms: Readonly<{ low: number; high: number }> | null;
  /** Pins of the unit as its own paper names them. */
  names: Readonly<Record<string, string>>;
}

/** What a compressor draws at a moment against the cold that it gives (estimate: a small machine on a worn cabinet). */
const DRAWN = 0.7;
/** A plate draws so many times the cold that it gives at the least (design's reference 1: 42 W of cold draw 100 to 150). */
const PLATE = 2.5;
/** A blower of a fire, W (estimate). */
const BLOWER = 10;
/** A small motor's power factor is 0.5 to 0.7 and its start 5 to 8 times its running current: the worse ends. */
const POWER_FACTOR = 0.5;
const START = 8;
/** Heaters that are lamps: tungsten has a twelfth of its ohms while it is cold (estimate). */
const COLD_TUNGSTEN = 12;
/** Most elements are made within −10 and +5 % of their power (IEC 60335-1; from memory). */
const POWER_SPAN = { low: 0.9, high: 1.05 } as const;

const isTungsten = (h: Heater): boolean => h.kind === "bulb";

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

const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);

function heatLoad(heaters: readonly Heater[], volts: number, typed: number): Load | null {
  if (heaters.length === 0) return null;
  // A fire is blown on, not heated by the mains.
  const watts = sum(heaters.map((h) => (h.kind === "charcoal" ? BLOWER : h.power)));
  const motor = heaters.some((h) => h.kind === "charcoal");
  const amps = typed || watts / volts / (motor ? POWER_FACTOR : 1);
  const tungsten = heaters.some(isTungsten) ? COLD_TUNGSTEN : 1;
  return { watts, amps, starts: amps * (motor ? START : tungsten), motor };
}

function coldLoad(coolers: readonly Cooler[], volts: number, typed: number): Load | null {
  if (coolers.length === 0) return null;
  const drawn = (c: Cooler) =>
    c.kind === "compressor" ? c.power * DRAWN : c.kind === "peltier" ? Math.max(c.electric, c.power * PLATE) : 0;
  const motor = coolers.some((c) => c.kind === "compressor");
  // While the defrost heater runs the compressor does not.
  const defrost = sum(coolers.map((c) => (c.defrostEvery > 0 ? c.defrostPower : 0)));
  const watts = Math.max(sum(coolers.map(drawn)), defrost);
  const running = typed || sum(coolers.map(drawn)) / volts / POWER_FACTOR;
  return { watts, amps: Math.max(running, defrost / volts), starts: motor ? running * START : running, motor };
}

/** The plan of one of a chamber's units; `names`: what its paper calls its pins. */
export function wiringPlanOf(chamber: Chamber, which = 0, names: WiringPlan["names"] = {}): WiringPlan {
  const unit = chamber.controllers[which]!;
  const { wiring } = chamber;
  const { volts } = mainsTable[wiring.mains];
  const heaters = heatersOn(chamber, unit);
  return {
    wiring,
    unit: which,
    heat: heatLoad(heaters, volts, wiring.heatAmps),
    cold: coldLoad(coolersOn(chamber, unit), volts, wiring.coldAmps),
    heatOhms: ohmsOf(heaters, volts),
    names,
  };
}

export const outletsIn = ({ heat, cold }: Pick<WiringPlan, "heat" | "cold">): OutletName[] => [
  ...(heat !== null ? (["heat"] as const) : []),
  ...(cold !== null ? (["cold"] as const) : []),
];

/** What cools has a cord of its own: only beside something that heats. */
export const hasTwoCords = ({ wiring, heat, cold }: WiringPlan): boolean =>
  wiring.secondCord && heat !== null && cold !== null;

/** The cords that feed it. */
export const cordsOf = (plan: WiringPlan): readonly Cord[] => (hasTwoCords(plan) ? [1, 2] : [1]);

/** The cord that feeds an outlet. */
export const cordOf = (plan: WiringPlan, o: OutletName): Cord => (hasTwoCords(plan) && o === "cold" ? 2 : 1);

/** What is plugged in needs no earth. */
export const isDouble = ({ wiring }: WiringPlan, o: OutletName): boolean =>
  o === "heat" ? wiring.heatDouble : wiring.coldDouble;

/** The plug goes in both ways round; what is laid fixed has none. */
export const plugTurns = ({ wiring }: WiringPlan): boolean => wiring.laid === "cord" && wiring.plugTurns;

/** A one-shot cut-out in series with what heats. */
export const hasCutOut = ({ wiring, heat }: WiringPlan): boolean => wiring.cutOut === "yes" && heat !== null;

/** A plan in a few letters: what was proved of another one counts for nothing. Names and symbols change nothing. */
export function planKey({ wiring, unit: _unit, names: _names, ...loads }: WiringPlan): string {
  const { symbols: _symbols, residual: _residual, otherWatts: _other, ownWork: _own, ...built } = wiring;
  const text = JSON.stringify([Object.entries(built).sort(([a], [b]) => (a < b ? -1 : 1)), loads]);
  // FNV-1a, 32 bits, twice with other beginnings: it tells plans apart, it keeps no secret.
  const hash = (from: number) => {
    let h = from;
    for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
    return (h >>> 0).toString(36);
  };
  return `${hash(0x811c9dc5)}${hash(0x1234567)}`;
}
