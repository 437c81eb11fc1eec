import { pointsOf } from "../controller";
import type { Chamber } from "../model";
import { printDuration } from "../quantity";
import { measureRunOn, plainTrial, runTrial } from "../trial";
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

const withProbe = (chamber: Chamber, change: Partial<Chamber["probes"][number]>): Chamber => ({
  ...chamber,
  probes: chamber.probes.map((p, i) => (i === 0 ? { ...p, ...change } : p)),
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
  const { settings, chamber } = c.plan;
  const { by } = words(c);
  const days = Math.min(DAYS, c.trial.days);
  const turns = (without: Chamber) => runTrial(plainTrial(without, settings, days, STEP)).metrics.reversals.perDay;
  const now = turns(chamber);
  const probe = chamber.probes[0]!;
  const quiet = probe.noise > 0 ? turns(withProbe(chamber, { noise: 0 })) : now;
  const quick = probe.lag > QUICK ? turns(withProbe(chamber, { lag: QUICK })) : now;
  const heats = chamber.vessels.some((v) => v.product.kind !== "hold" || v.product.heatCurve.length > 0);
  const ownHeat = heats && now > CHASE_PER_DAY && turns(withoutOwnHeat(chamber)) <= CHASE_PER_DAY;

  const points = pointsOf(settings, chamber.unit);
  const heatGap = points.coolOff - points.heatOn;
  const coldGap = points.coolOn - points.heatOff;
  const free = measureRunOn(chamber, chamber.stages[0]!);
  const seen = c.trial.metrics.runOn;
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
        ? `the reading jumps by ${by(3 * probe.noise)} of itself, across the ${by(Math.min(heatGap, coldGap))} between heat and cold; with a quiet probe ${left(quiet)}`
        : `the probe follows ${printDuration(probe.lag)} late and reads on after the device has stopped, past the ${by(coldFirst ? heatGap : coldGap)} between them; with a quick one ${left(quick)}`;
  }
  if (ownHeat)
    text += ". It is the product\u2019s own heat that calls the cold in this room: without it nothing would chase";
  return { cause, ownHeat, text };
}
