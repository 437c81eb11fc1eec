import { describe as describeChamber } from "../chamber";
import { mainsKinds, type Wiring } from "../model";
import { wiringPlanOf, type Load, type WiringPlan } from "../wiring";
import { recordWith } from "./build";

const usual = wiringPlanOf(describeChamber(recordWith()));

/** The usual wiring, done by oneself, with some of it otherwise. */
export const planWith = (by: Partial<Wiring>, more: Partial<WiringPlan> = {}): WiringPlan => ({
  ...usual,
  ...more,
  wiring: { ...usual.wiring, ownWork: true, residual: "r30", cutOut: "yes", ...by },
});

/** What hangs on an outlet of 230 V: resistive, or a motor. */
export const loadOf = (watts: number, motor = false): Load => {
  const amps = watts / 230 / (motor ? 0.5 : 1);
  return { watts, amps, starts: motor ? 8 * amps : amps, motor };
};

/** Plain numbers from a seed (Mulberry32). */
export function random(seed: number): () => number {
  return () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** Any wiring that somebody might plan, its links broken. */
export function randomPlan(next: () => number): WiringPlan {
  const of = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  return planWith(
    {
      mains: of(mainsKinds),
      plugTurns: next() < 0.5,
      fuse: of([0, 5, 10]),
      mainSwitch: of(["none", "one", "both"] as const),
      outlets: of(["two", "twin"] as const),
      linkBroken: true,
      relay: of(["mechanical", "solid", "contactor"] as const),
      relaysIn: of(["unit", "outside"] as const),
      secondCord: next() < 0.3,
      cutOut: next() < 0.7 ? "yes" : "no",
      residualAt: of(["wall", "wall", "box"] as const),
      pilots: next() < 0.3,
      laid: of(["cord", "cord", "C"] as const),
      heatDouble: next() < 0.3,
      supply: of([0, 12]),
      metalBox: next() < 0.5,
      metalVessel: next() < 0.2,
      cordLength: of([1, 2, 5]),
    },
    of<Partial<WiringPlan>>([
      { heat: loadOf(60), cold: loadOf(80, true), heatOhms: { low: 60, high: 980 } },
      { heat: loadOf(1500), cold: null, heatOhms: { low: 33, high: 39 } },
      { heat: loadOf(200), cold: loadOf(80, true), heatOhms: null },
      { heat: null, cold: loadOf(90, true), heatOhms: null },
    ]),
  );
}
