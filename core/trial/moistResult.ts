import type { Run } from "./run";

/** One surface on which water lay: the most of it, kg, of that ice, and for how long it was wet, s. */
export interface WetSurface {
  on: "lining" | "cooler" | "vessel";
  index: number;
  /** m² */
  area: number;
  most: number;
  mostIce: number;
  wetFor: number;
  /** What is left of it at the end, kg. */
  left: number;
}

/** What became of the water in a box over a trial, kg; spans in s. */
export interface MoistResult {
  /** With the room's air, more in than out; from what dries; from what is always wet. */
  breathed: number;
  given: number;
  fromWet: number;
  humidified: number;
  dehumidified: number;
  absorbed: number;
  drained: number;
  surfaces: WetSurface[];
  /** How long the inner wall was so moist that mould grows on it, and how long the trial was. */
  mouldFor: number;
  of: number;
  /** J of humidifier and dehumidifier. */
  electric: number;
}

/** The water's books at the end of a trial; null where the humidity is as typed. */
export function moistResult({ state, moist, network, steps, input }: Run): MoistResult | null {
  const m = state.moisture;
  if (!m || !moist) return null;
  const [usual] = m.air;
  const { breathed, given, fromWet, humidified, dehumidified, absorbed, drained, film } = usual!;
  const coolers = network.coolers.length;
  return {
    breathed,
    given,
    fromWet: fromWet.reduce((sum, kg) => sum + kg, 0),
    humidified,
    dehumidified,
    absorbed,
    drained,
    surfaces: Array.from({ length: moist.surfaces }, (_, j) => ({
      on: j === 0 ? ("lining" as const) : j <= coolers ? ("cooler" as const) : ("vessel" as const),
      index: j === 0 ? 0 : j <= coolers ? j - 1 : j - 1 - coolers,
      area: moist.areas[j]!,
      most: m.most[j]!,
      mostIce: m.mostIce[j]!,
      wetFor: m.wetFor[j]!,
      left: film[j]!,
    })),
    mouldFor: m.mouldFor,
    of: steps * input.dt,
    electric: m.electric,
  };
}
