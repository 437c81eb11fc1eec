import type { Chamber, Probe } from "../model";
import { hasOwnHeat } from "../product";
import { printDuration } from "../quantity";
import { measureRunOn, runTrial, trialWith } from "../trial";
import { groupOf, pointsIn } from "./group";
import { CHASE_PER_DAY } from "./limits";
import type { Case } from "./types";
import { words } from "./words";

/** What makes heat and cold answer each other. */
export type ChaseCause = "noise" | "lag" | "residual-cold" | "residual-heat";

/** The trial that a cause is looked for in: long enough to chase, s and days. */
const STEP = 10;
const DAYS = 3;
/** A probe that follows its place almost at once, s. */
const QUICK = 15;

/** The chamber with other probes on the controllers that hold the same. */
const withProbes = (chamber: Chamber, ids: readonly string[], change: Partial<Probe>): Chamber => ({
  ...chamber,
  probes: chamber.probes.map((p) => (ids.includes(p.id) ? { ...p, ...change } : p)),
});
const withoutOwnHeat = (chamber: Chamber): Chamber => ({
  ...chamber,
  vessels: chamber.vessels.map((v) => ({ ...v, product: { ...v.product, kind: "hold", heatCurve: [] } })),
});

/** What makes heat and cold answer each other, with its numbers in words. */
export interface Chase {
  cause: ChaseCause;
  /** Without the product's own heat nothing would chase: it alone calls the other device. */
  ownHeat: boolean;
  text: string;
}

/**
 * The cause of a chase, found by leaving one thing out at a time and running the trial again: the probe's noise, its
 * lag, the product's own heat. Where neither a quiet nor a quick probe takes most of it away, it is the device whose
 * residual cold or heat the differentials fall furthest short of.
 */
export function causeOfChase(c: Case): Chase {
  const { by } = words(c);
  const days = Math.min(DAYS, Math.max(0.5, c.metrics.seconds / 86_400));
  // The stage alone: a chase is one of its settings.
  const alone: Chamber = { ...c.chamber, stages: [{ ...c.stage, ends: [], latest: 0 }] };
  const settings = [c.stagePlan.controls.map((u) => u.settings)];
  const turns = (without: Chamber) => runTrial(trialWith(without, settings, days, STEP)).metrics.reversals.perDay;
  const group = groupOf(c);
  const ids = [c.probe.id, ...group.map((u) => u.controller.probes[0]!)];
  const read = alone.probes.filter((p) => ids.includes(p.id));
  const noisy = read.reduce((a, b) => (b.noise > a.noise ? b : a));
  const slow = read.reduce((a, b) => (b.lag > a.lag ? b : a));
  const now = turns(alone);
  const quiet = noisy.noise > 0 ? turns(withProbes(alone, ids, { noise: 0 })) : now;
  const quick = slow.lag > QUICK ? turns(withProbes(alone, ids, { lag: QUICK })) : now;
  const heats = alone.vessels.some((v) => hasOwnHeat(v.product));
  const ownHeat = heats && now > CHASE_PER_DAY && turns(withoutOwnHeat(alone)) <= CHASE_PER_DAY;
  const points = pointsIn(c);
  const heatGap = points.coldOff - points.heatOn;
  const coldGap = points.coldOn - points.heatOff;
  const free = measureRunOn(alone, c.band, c.probe.id);
  const seen = c.metrics.runOn;
  const cold = Math.max(free.cold ?? 0, seen.cold);
  const heat = Math.max(free.heat ?? 0, seen.heat);
  const coldFirst = cold - heatGap >= heat - coldGap;
  const left = (n: number) =>
    n <= CHASE_PER_DAY ? "they leave each other alone" : `it would be ${Math.round(n)} times a day`;
  let cause: ChaseCause = coldFirst ? "residual-cold" : "residual-heat";
  let text = coldFirst
    ? `the evaporator stays cold after the compressor stops and carries the probe ${by(cold)} on; between cold and heat lie ${by(heatGap)}`
    : `the heater stays hot after it is cut and carries the probe ${by(heat)} on; between heat and cold lie ${by(coldGap)}`;
  if (Math.min(quiet, quick) < now / 2) {
    cause = quiet <= quick ? "noise" : "lag";
    text =
      cause === "noise"
        ? `the reading jumps by ${by(3 * noisy.noise)} of itself, across the ${by(Math.min(heatGap, coldGap))} between heat and cold; with a quiet probe ${left(quiet)}`
        : `the probe follows ${printDuration(slow.lag)} late and reads on after the device has stopped, past the ${by(coldFirst ? heatGap : coldGap)} between them; with a quick one ${left(quick)}`;
  }
  if (ownHeat)
    text += ". It is the product\u2019s own heat that calls the cold in this room: without it nothing would chase";
  return { cause, ownHeat, text };
}
