import type { Network } from "../chamber";
import type { Chamber, Unit } from "../model";

/** Probes do not share their noise: each begins elsewhere in the table. */
const NOISE_APART = 977;

/** The temperature of a display, °C, from its steps: `shown · slope + zero`. */
export const displayOf = ({
  scale,
  resolution,
}: Pick<Unit, "scale" | "resolution">): { slope: number; zero: number } =>
  scale === "C" ? { slope: resolution, zero: 0 } : { slope: resolution / 1.8, zero: -32 / 1.8 };

/** How a controller reads its probe: all in steps of its own display, whatever its neighbours do. */
export interface Reader {
  node: number;
  probe: number;
  perStep: number;
  shift: number;
  noise: number;
  noiseFrom: number;
  sensorStep: number;
  blind: boolean;
  /** 0: none; 1: open; 2: short. */
  fault: number;
  /** How far the probe has drifted, and further at each step; the offset that is keyed in. */
  drift: number;
  driftStep: number;
  offset: number;
}

export function readerOf(chamber: Chamber, network: Network, index: number): Reader {
  const { unit, probes } = chamber.controllers[index]!;
  const probe = chamber.probes.findIndex((p) => p.id === probes[0]);
  const sensor = chamber.probes[probe]!;
  const perStep = unit.scale === "C" ? 1 / unit.resolution : 1.8 / unit.resolution;
  return {
    node: network.probes[probe]!,
    probe,
    perStep,
    // floor(… + ½) rounds halves up, as stepsOf does; the tail keeps binary fractions from falling short.
    shift: sensor.error * perStep + (unit.scale === "C" ? 0 : 32 / unit.resolution) + 0.5 + 1e-9,
    noise: sensor.noise * perStep,
    noiseFrom: probe * NOISE_APART,
    sensorStep: sensor.step,
    blind: unit.atFault === "blind",
    fault: 0,
    drift: 0,
    driftStep: 0,
    offset: 0,
  };
}

/** What a display shows of a probe that reads without noise and drift, in steps of its resolution. */
export function plainReading(reader: Reader, felt: number): number {
  const { sensorStep, perStep, shift, offset } = reader;
  const stepped = sensorStep > 0 ? Math.round(felt / sensorStep) * sensorStep : felt;
  return Math.floor(stepped * perStep + shift) + offset;
}

/**
 * The temperature from which on such a probe reads at least so much, °C: below it less, but for rounding. A whole step of
 * the sensor comes half a step early.
 */
export function feltFrom({ sensorStep, perStep, shift, offset }: Reader, reading: number): number {
  const felt = (reading - offset - shift) / perStep;
  return sensorStep > 0 ? (Math.ceil(felt / sensorStep) - 0.5) * sensorStep : felt;
}
