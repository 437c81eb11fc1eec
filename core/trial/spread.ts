import { isBath } from "../chamber";
import type { Chamber, Product, Reading } from "../model";
import { lotOf, modelOf, saturation, type Feels } from "../product";
import { filmOn } from "./filmOn";
import type { FigureRange } from "./ensemble";
import { spanOf } from "./paces";
import { isQuick } from "./quick";
import type { Trial } from "./runTrial";
import type { Trace } from "./trace";

/** Longest step of the course between two bins, s. */
const STEP = 600;

const middle = (low: Float32Array, high: Float32Array, i: number): number => (low[i]! + high[i]!) / 2;

/** The temperature of a vessel's contents over the bins, in the middle of each. */
function courseOf(trace: Trace, index: number): (bin: number) => [core: number, skin: number] {
  const core = trace.layers.find((l) => l.kind === "vessel" && l.index === index);
  const skin = trace.layers.find((l) => l.kind === "shell" && l.index === index);
  const [low, high] = core ? [core.low, core.high] : [trace.low.product, trace.high.product];
  return (i) => {
    const inside = middle(low, high, i);
    return [inside, skin ? middle(skin.low, skin.high, i) : inside];
  };
}

const PARTS = 5;

/** Of a trial, what the course of its products hangs on. */
type Course = Pick<Trial, "trace" | "bands">;

/** Runs a product through the temperatures of a finished trial; its own heat is that of the trial, whatever its pace. */
function through(chamber: Chamber, trial: Course, index: number, product: Product): Map<string, Float32Array> {
  const { trace, bands } = trial;
  const vessel = chamber.vessels[index]!;
  const model = modelOf(product);
  const state = model.start(product, lotOf(vessel), vessel.startTemperature);
  const out = { watts: 0, drying: 0 };
  const at = courseOf(trace, index);
  const { cabinet } = chamber;
  const feels: Feels & { parts: number[] } = {
    core: 0,
    surface: 0,
    parts: Array.from({ length: PARTS }, () => 0),
    medium: 0,
    film: filmOn(cabinet),
    vapour: 0,
    humidity: cabinet.humidity,
    wet: isBath(cabinet.kind),
  };
  const values = new Map(model.observables.map((o) => [o.name, new Float32Array(trace.bins)]));
  const steps = Math.max(1, Math.ceil(trace.width / STEP));
  const span = trace.width / steps;
  for (let i = 0; i < trace.bins; i++) {
    // A vessel that is put in later has no course before.
    if (trace.from + (i + 0.5) * trace.width < vessel.putIn) {
      for (const o of model.observables) values.get(o.name)![i] = NaN;
      continue;
    }
    [feels.core, feels.surface] = at(i);
    for (let p = 0; p < PARTS; p++) feels.parts[p] = feels.core + ((feels.surface - feels.core) * p) / (PARTS - 1);
    feels.medium = middle(trace.low.air, trace.high.air, i);
    const air = isQuick(cabinet.kind) ? middle(trace.low.room, trace.high.room, i) : feels.medium;
    const time = trace.from + (i + 0.5) * trace.width;
    const { stage = 0 } = bands.find((b) => time < b.to) ?? bands.at(-1) ?? {};
    feels.humidity = trace.humidity?.usual[i] ?? (chamber.stages[stage]!.humidity || cabinet.humidity);
    feels.vapour = feels.humidity * saturation(air);
    for (let s = 0; s < steps; s++)
      model.step(state, product, feels, trace.from + i * trace.width + (s + 0.5) * span - vessel.putIn, span, out);
    for (const o of model.observables) values.get(o.name)![i] = o.of(state, product);
  }
  return values;
}

/** The slowest and the quickest course that a reading may ask for, against what it is. */
const PACES = { slow: 0.2, quick: 5 } as const;
/** Nearer than this share of its span two courses are one. */
const NEAR = 1e-3;

/** What the course says at the moment of a reading: as is usual, and between what nine of ten lie. */
export interface ReadAgainst {
  usual: number;
  low: number;
  high: number;
}

type Read = Pick<Reading, "vessel" | "name" | "at" | "value">;

/** The bin of a trial that a reading falls into; null where it lies beyond. */
function binOf({ trace }: Course, at: number): number | null {
  const bin = Math.floor((at - trace.from) / trace.width);
  return bin >= 0 && bin < trace.bins ? bin : null;
}

/** A reading against the course of its product in a trial; null where the trial does not come to it. */
export function readAgainst(
  chamber: Chamber,
  trial: Course,
  ranges: readonly FigureRange[],
  { vessel, name, at }: Read,
): ReadAgainst | null {
  const index = chamber.vessels.findIndex((v) => v.id === vessel);
  const bin = binOf(trial, at);
  const of = <T extends { index: number; name: string }>(list: readonly T[]) =>
    list.find((f) => f.index === index && f.name === name);
  const usual = bin === null ? undefined : of(trial.trace.figures)?.values[bin];
  if (bin === null || usual === undefined || !Number.isFinite(usual)) return null;
  const range = of(ranges);
  return { usual, low: range?.low[bin] ?? usual, high: range?.high[bin] ?? usual };
}

/**
 * How much quicker than reckoned a product goes by a reading: the share of its pace at which its course, through the
 * temperatures of the trial, passes through it; null where no pace does. A dozen courses: not for every reading.
 */
export function paceBy(chamber: Chamber, trial: Course, { vessel, name, at, value }: Read): number | null {
  const index = chamber.vessels.findIndex((v) => v.id === vessel);
  const product = chamber.vessels[index]?.product;
  const bin = binOf(trial, at);
  if (!product || bin === null || spanOf(product)?.field !== "pace") return null;
  const paced = (share: number): number =>
    through(chamber, trial, index, { ...product, pace: product.pace * share }).get(name)?.[bin] ?? NaN;
  let [low, high]: [number, number] = [PACES.slow, PACES.quick];
  const [first, last] = [paced(low), paced(high)];
  // A figure that does not move with the pace, or a reading beyond what any pace gives, says nothing of it.
  if (!(Math.abs(last - first) >= 1e-9) || (value - first) * (value - last) > 0) return null;
  while (high / low - 1 > NEAR) {
    const middle = Math.sqrt(low * high);
    if ((paced(middle) - value) * (first - value) > 0) low = middle;
    else high = middle;
  }
  return Math.sqrt(low * high);
}
