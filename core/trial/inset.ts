import type { Metrics } from "./metrics";
import { AIR } from "../chamber";
import { NO_READING } from "../controller";
import { displayOf } from "./reader";
import type { Run, Watcher } from "./run";
import { advance } from "./stepper";
import { servingController } from "./serving";
import { copyState, type RunState } from "./state";

/** A short stretch of a trial at full detail. Times in s from the start of the trial, temperatures in °C. */
export interface Inset {
  from: number;
  to: number;
  /** What `product` is: a vessel, or "air". */
  judged: string;
  time: Float32Array;
  product: Float32Array;
  probe: Float32Array;
  air: Float32Array;
  reading: Float32Array;
  heat: Uint8Array;
  cold: Uint8Array;
}

const WIDTH = 3 * 3600;
const EVERY = 30;

/** Where to look first, s: at the chase, at the furthest excursion from the band, or at the busiest hour. */
export function worstMoment(metrics: Metrics, band: { low: number; high: number }): number {
  const { reversals, arrived, busiestHour, seconds } = metrics;
  if (reversals.worstFrom !== null && reversals.perDay > 3) return reversals.worstFrom + WIDTH / 3;
  if (arrived) {
    const { product } = arrived;
    const under = band.low - product.low;
    const over = product.high - band.high;
    if (Math.max(under, over) > 0) return under > over ? product.lowAt : product.highAt;
    if (busiestHour.starts > 1) return busiestHour.from + 1800;
    return metrics.settled ? metrics.settled.product.highAt : product.highAt;
  }
  return seconds / 2;
}

/**
 * Runs a stretch of three hours around a moment again, exactly, from the nearest saved moment before it.
 * @param finished the run that the moments were saved from; its state is left alone
 * @param judged what it is looked at for
 */
export function insetAround(finished: Run, checkpoints: readonly RunState[], moment: number, judged: string): Inset {
  const { input } = finished;
  const { dt } = input;
  const end = finished.steps * dt;
  const from = Math.max(0, Math.min(moment - WIDTH / 2, end - WIDTH));
  const to = Math.min(end, from + WIDTH);
  const firstStep = Math.floor(from / dt);
  const saved = checkpoints.filter((c) => c.step <= firstStep).at(-1);
  const run: Run = { ...finished, state: copyState(saved ?? checkpoints[0]!) };
  const every = Math.max(1, Math.round(EVERY / dt));
  const lastStep = Math.floor(to / dt);
  const count = Math.floor((lastStep - firstStep - 1) / every) + 1;
  const line = () => new Float32Array(count);
  const inset: Inset = {
    from,
    to,
    judged,
    time: line(),
    product: line(),
    probe: line(),
    air: line(),
    reading: line(),
    heat: new Uint8Array(count),
    cold: new Uint8Array(count),
  };
  const { network } = run;
  const { chamber } = input;
  const vessel = judged === AIR ? network.air : network.vessels[chamber.vessels.findIndex((v) => v.id === judged)]!;
  const controller = servingController(chamber, { id: judged });
  const { unit, probes } = chamber.controllers[controller]!;
  const probe = network.probes[chamber.probes.findIndex((p) => p.id === probes[0])]!;
  const { air } = network;
  const { slope, zero } = displayOf(unit);
  const watcher: Watcher = {
    leap(now, flight) {
      const from = Math.max(1, firstStep - flight.start);
      const next = from + ((every - ((flight.start + from - firstStep) % every)) % every);
      for (let j = next; j < flight.steps; j += every) {
        flight.show(now, j);
        watcher.sample(now, 0);
        flight.back(now);
      }
    },
    sample({ step, x, shown: displays, heating, cooling }) {
      const offset = step - firstStep;
      if (offset < 0 || offset % every !== 0) return;
      const i = offset / every;
      if (i >= count) return;
      inset.time[i] = step * dt;
      inset.product[i] = x[vessel]!;
      inset.probe[i] = x[probe]!;
      inset.air[i] = x[air]!;
      const shown = displays[controller]!;
      inset.reading[i] = shown === NO_READING ? NaN : shown * slope + zero;
      inset.heat[i] = heating ? 1 : 0;
      inset.cold[i] = cooling ? 1 : 0;
    },
  };
  advance(run, lastStep, watcher);
  return inset;
}
