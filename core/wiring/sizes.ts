import { mainsTable, type WiringPlan } from "./plan";

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
];
/** BS 7671 table 4F3A, flexible cords (from memory). */
const metric: readonly CordSize[] = [
  { name: "0.75 mm²", area: 0.75, amps: 6 },
  { name: "1.0 mm²", area: 1, amps: 10 },
  { name: "1.25 mm²", area: 1.25, amps: 13 },
  { name: "1.5 mm²", area: 1.5, amps: 16 },
  { name: "2.5 mm²", area: 2.5, amps: 25 },
];
export const cordTable = (plan: WiringPlan): readonly CordSize[] =>
  mainsTable[plan.wiring.mains].american ? american : metric;
export const cordSource = (plan: WiringPlan): string =>
  mainsTable[plan.wiring.mains].american ? "NEC table 400.5(A)(1)" : "BS 7671 table 4F3A";

/** Insulation is made for so much, °C; in warmer air than 30 less current may flow: √((60 − T)/30). */
const INSULATION = 60;
export const inWarmAir = (t: number): number =>
  Math.sqrt(Math.max(0, INSULATION - Math.max(30, t)) / (INSULATION - 30));

/**
 * The cord that feeds an outlet: by what protects it and by what the outlet is rated for, in the air around it; the load
 * comes last. Null: none of the table does.
 */
export function cordFor(plan: WiringPlan, air: number): CordSize | null {
  const { breaker, fuse } = plan.wiring;
  const protects = fuse > 0 ? Math.min(fuse, breaker) : breaker;
  return cordTable(plan).find((c) => c.amps * inWarmAir(air) >= protects - 1e-9) ?? null;
}

/** Resistivity of copper at working temperature, Ωm (IEC 60909: 0.0225 Ωmm²/m at 70 °C; from memory). */
const COPPER = 2.25e-8;
/** Volts lost on the way there and back. @param length of the cord, m; area, mm² */
export const voltageDrop = (amps: number, length: number, area: number): number =>
  (2 * length * amps * COPPER) / (area * 1e-6);

/** Heat of a solid-state relay, W, and what its sink may have at the most, K/W, its own part of it taken off. */
export function sinkFor(amps: number, air: number, caseToSink = 0.5): { watts: number; most: number } {
  // 1 to 1.6 W an ampere (from memory): the usual is reckoned, a case of 80 °C.
  const watts = 1.2 * amps;
  return { watts, most: watts > 0 ? (80 - air) / watts - caseToSink : Infinity };
}
