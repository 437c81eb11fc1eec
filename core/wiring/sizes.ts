import { mainsTable } from "./mains";
import type { WiringPlan } from "./plan";

/** A flexible cord as it is sold: what it is called, mm², what it carries at 30 °C, A. */
export interface CordSize {
  name: string;
  area: number;
  amps: number;
}

/** NEC table 400.5(A)(1), two conductors that carry current: line and neutral are two (from memory). */
const american: readonly CordSize[] = [
  { name: "18 AWG", area: 0.823, amps: 10 },
  { name: "16 AWG", area: 1.31, amps: 13 },
  { name: "14 AWG", area: 2.08, amps: 18 },
  { name: "12 AWG", area: 3.31, amps: 25 },
  { name: "10 AWG", area: 5.26, amps: 30 },
  { name: "8 AWG", area: 8.37, amps: 40 },
  { name: "6 AWG", area: 13.3, amps: 55 },
];
/** BS 7671 table 4F3A, flexible cords (from memory). */
const metric: readonly CordSize[] = [
  { name: "0.75 mm²", area: 0.75, amps: 6 },
  { name: "1.0 mm²", area: 1, amps: 10 },
  { name: "1.25 mm²", area: 1.25, amps: 13 },
  { name: "1.5 mm²", area: 1.5, amps: 16 },
  { name: "2.5 mm²", area: 2.5, amps: 25 },
  { name: "4 mm²", area: 4, amps: 32 },
];
export const cordTable = (plan: WiringPlan): readonly CordSize[] =>
  mainsTable[plan.wiring.mains].american ? american : metric;
export const cordSource = (plan: WiringPlan): string =>
  mainsTable[plan.wiring.mains].american ? "NEC table 400.5(A)(1)" : "BS 7671 table 4F3A";

/** Insulation of flexible cord is made for so much, °C; in warmer air than 30 less current may flow: √((60 − T)/30). */
const INSULATION = 60;
export const inWarmAir = (t: number, most = INSULATION): number =>
  Math.sqrt(Math.max(0, most - Math.max(30, t)) / (most - 30));

/** What protects against too much for hours: its own fuse, that in the plug, or the breaker. */
export const protectedBy = ({
  breaker,
  fuse,
  plugFuse,
  laid,
}: Pick<WiringPlan["wiring"], "breaker" | "fuse" | "plugFuse" | "laid">): number =>
  Math.min(breaker, ...(fuse > 0 ? [fuse] : []), ...(plugFuse > 0 && laid === "cord" ? [plugFuse] : []));

/**
 * The cord that feeds an outlet: by what protects it and by what the outlet is rated for, in the air around it; the load
 * comes last. Null: none of the table does.
 */
export const cordFor = (plan: WiringPlan, air: number): CordSize | null =>
  cordTable(plan).find((c) => c.amps * inWarmAir(air) >= protectedBy(plan.wiring) - 1e-9) ?? null;

type Method = Exclude<WiringPlan["wiring"]["laid"], "cord">;

/** IEC 60364-5-52 table B.52.2, copper, PVC 70 °C, two loaded conductors, in air of 30 °C (from memory). */
const fixedMetric: readonly { area: number; amps: Record<Method, number> }[] = [
  { area: 1.5, amps: { A1: 14.5, B1: 17.5, C: 19.5 } },
  { area: 2.5, amps: { A1: 19.5, B1: 24, C: 27 } },
  { area: 4, amps: { A1: 26, B1: 32, C: 36 } },
  { area: 6, amps: { A1: 34, B1: 41, C: 46 } },
  { area: 10, amps: { A1: 46, B1: 57, C: 63 } },
  { area: 16, amps: { A1: 61, B1: 76, C: 85 } },
];
/** NEC table 310.16, copper, column of 60 °C, and the most that may protect it, 240.4(D) (from memory). */
const fixedAmerican: readonly (CordSize & { most: number })[] = [
  { name: "14 AWG", area: 2.08, amps: 15, most: 15 },
  { name: "12 AWG", area: 3.31, amps: 20, most: 20 },
  { name: "10 AWG", area: 5.26, amps: 30, most: 30 },
  { name: "8 AWG", area: 8.37, amps: 40, most: 40 },
  { name: "6 AWG", area: 13.3, amps: 55, most: 60 },
  { name: "4 AWG", area: 21.2, amps: 70, most: 70 },
];
const PVC = 70;

/** How a fixed cable is laid: its name, and the table that knows it. */
export const layingTable: Record<Method, string> = {
  A1: "in a wall that insulates",
  B1: "in a pipe or duct on a wall",
  C: "clipped to a wall",
};

export const fixedSource = (plan: WiringPlan): string =>
  mainsTable[plan.wiring.mains].american
    ? "NEC table 310.16, 60 °C, and 240.4(D)"
    : `IEC 60364-5-52 table B.52.2, method ${plan.wiring.laid}`;

/**
 * The fixed cable before the enclosure: by the breaker, since no fuse stands before it. Null: laid by cord and plug, or
 * none of the table does.
 */
export function fixedFor(plan: WiringPlan, air: number): CordSize | null {
  const { laid, breaker, mains } = plan.wiring;
  if (laid === "cord") return null;
  if (mainsTable[mains].american)
    return fixedAmerican.find((c) => c.most >= breaker && c.amps * inWarmAir(air) >= breaker - 1e-9) ?? null;
  const found = fixedMetric.find(({ amps }) => amps[laid] * inWarmAir(air, PVC) >= breaker - 1e-9);
  return found ? { name: `${found.area} mm²`, area: found.area, amps: found.amps[laid] } : null;
}

/** Resistivity of copper at working temperature, Ωm (IEC 60909: 0.0225 Ωmm²/m at 70 °C; from memory). */
const COPPER = 2.25e-8;
/** Volts lost on the way there and back. @param length of the cord, m; area, mm² */
export const voltageDrop = (amps: number, length: number, area: number): number =>
  (2 * length * amps * COPPER) / (area * 1e-6);

/** The earth of a cord alone, Ω. @param length m; area, mm² */
export const earthOhms = (length: number, area: number): number => (length * COPPER) / (area * 1e-6);

/** The area that is laid from the house to the enclosure, mm²; null: no table has it. */
export const laidArea = (plan: WiringPlan, air: number, room: number): number | null =>
  (plan.wiring.laid === "cord" ? cordFor(plan, air) : fixedFor(plan, room))?.area ?? null;

/** Heat of a solid-state relay, W, and what its sink may have at the most, K/W, its own part of it taken off. */
export function sinkFor(amps: number, air: number, caseToSink = 0.5): { watts: number; most: number } {
  // 1 to 1.6 W an ampere (from memory): the usual is reckoned, a case of 80 °C.
  const watts = 1.2 * amps;
  return { watts, most: watts > 0 ? (80 - air) / watts - caseToSink : Infinity };
}
