export * from "./reserve";
import type { Product } from "../../model";
import { celsius } from "../../quantity";
import type { ProductModel } from "../shape";

const GAS = 8.314;
const KELVIN = 273.15;
const DAY = 86_400;

/** Rate of a change at a temperature, a day: ln k0 and the energy of activation, kJ/mol. */
const arrhenius = (lnK0: number, energy: number) => (t: number) =>
  Math.exp(lnK0 - (energy * 1000) / (GAS * (t + KELVIN)));

/**
 * Fitted to the half-lives of White 1964 and Bogdanov (values from memory): diastase and invertase lost, first order;
 * HMF formed, zero order, 40 mg/kg in 1/k days, within a factor of two.
 */
export const diastaseLost = arrhenius(52.771, 147.29);
export const invertaseLost = arrhenius(62.32, 169.11);
export const hmfFormed = (t: number): number => 40 * arrhenius(46.06, 129.18)(t);

/** Crystals at the start, how fast they dissolve at 40 °C a day: by how hard it has set (estimates). */
const asSet: Record<Product["set"], { crystals: number; rate: number }> = {
  liquid: { crystals: 0, rate: 2 },
  partSet: { crystals: 0.3, rate: 1.6 },
  set: { crystals: 0.7, rate: 1 },
  hard: { crystals: 1, rate: 0.8 },
};
/**
 * Contents for which those rates hold, m³; larger ones dissolve slower, as their size across: what has dissolved has to
 * get away from the crystals. Fitted to common practice, no source: jars clear in 1 to 3 days, a pail in 5 to 10.
 */
const USUAL_VOLUME = 0.0005;
/** Nothing dissolves below it, °C (estimate). */
const DISSOLVES_FROM = 30;
/** Heat that wholly set honey takes as it dissolves, J/kg (10 to 25 kJ/kg: an estimate). */
const HEAT_OF_SOLUTION = 17e3;
/** Clear to the eye (estimate). */
export const CLEAR = 0.98;
const PARTS = 5;
const PART_NAMES = Array.from({ length: PARTS }, (_, i) => `x${i}`);

/** Shares of the contents in parts of equal thickness, by how many there are. */
const shares = Array.from({ length: 12 }, (_, of) =>
  Array.from({ length: of }, (_part, i) => ((i + 1) / of) ** 3 - (i / of) ** 3),
);
const OWN = shares[PARTS]!;
const crystalsOf = (state: Readonly<Record<string, number>>): number => {
  let sum = 0;
  for (let i = 0; i < PARTS; i++) sum += state[PART_NAMES[i]!]! * OWN[i]!;
  return sum;
};

/** Honey that dissolves from outside in while the heat costs it its enzymes. */
export const honey: ProductModel = {
  kinds: ["honey"],
  holdsFor: 300,
  defaults: () => ({ packetLow: celsius(35), packetHigh: celsius(50) }),
  start: ({ set, hmf, diastase }, { mass, volume }) => ({
    ...Object.fromEntries(Array.from({ length: PARTS }, (_, i) => [`x${i}`, asSet[set].crystals])),
    hmf,
    diastase,
    invertase: 1,
    mass,
    hmfTimes: 1,
    enzymeTimes: 1,
    ease: Math.min(1, (USUAL_VOLUME / volume) ** (1 / 3)),
  }),
  step: (state, { set, pace }, { parts }, _seconds, span, out) => {
    const days = span / DAY;
    const rate = asSet[set].rate * pace * state.ease!;
    let dissolved = 0;
    for (let i = 0; i < PARTS; i++) {
      // Contents that are not divided have one temperature for all.
      const t = parts[Math.min(parts.length - 1, Math.floor((i * parts.length) / PARTS))]!;
      const was = state[PART_NAMES[i]!]!;
      if (was === 0) continue;
      const rest = was * Math.exp((-rate * Math.max(0, t - DISSOLVES_FROM) * days) / 10);
      const left = rest < 1e-6 ? 0 : rest;
      state[PART_NAMES[i]!] = left;
      dissolved += (was - left) * OWN[i]!;
    }
    let mean = 0;
    for (let i = 0; i < parts.length; i++) mean += parts[i]! * shares[parts.length]![i]!;
    state.hmf! += hmfFormed(mean) * state.hmfTimes! * days;
    state.diastase! *= Math.exp(-diastaseLost(mean) * state.enzymeTimes! * days);
    state.invertase! *= Math.exp(-invertaseLost(mean) * state.enzymeTimes! * days);
    out.watts = (-dissolved * HEAT_OF_SOLUTION * state.mass!) / span;
  },
  peakHeat: () => 0,
  observables: [
    {
      name: "clear",
      label: "dissolved",
      unit: "share",
      of: (state) => 1 - crystalsOf(state),
      limit: () => ({ value: CLEAR, side: "atLeast", aim: true, says: "clear to the eye" }),
    },
    {
      name: "hmf",
      label: "HMF",
      unit: "mg/kg",
      of: (state) => state.hmf!,
      limit: ({ tropical }) => ({
        value: tropical ? 80 : 40,
        side: "atMost",
        aim: false,
        says: "Codex Standard 12-1981",
      }),
    },
    {
      name: "diastase",
      label: "diastase number",
      unit: "",
      of: (state) => state.diastase!,
      limit: () => ({ value: 8, side: "atLeast", aim: false, says: "Directive 2001/110/EC" }),
    },
    { name: "invertase", label: "invertase left", unit: "share", of: (state) => state.invertase! },
  ],
  range: () => null,
  hazards: () => [{ id: "freezes", at: celsius(-40), within: 5 }],
  readings: ["look"],
  // Within a factor of two each (White 1964 and Bogdanov as recalled).
  unknowns: [
    { name: "hmfTimes", low: 0.5, high: 2 },
    { name: "enzymeTimes", low: 0.5, high: 2 },
  ],
};
