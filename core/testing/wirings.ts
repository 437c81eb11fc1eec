import { describe as describeChamber } from "../chamber";
import { mainsKinds, type Wiring } from "../model";
import { wiringPlanOf, type WiringPlan } from "../wiring";
import { recordWith } from "./build";

const usual = wiringPlanOf(describeChamber(recordWith()));

/** The usual wiring, done by oneself, with some of it otherwise. */
export const planWith = (by: Partial<Wiring>, more: Partial<WiringPlan> = {}): WiringPlan => ({
  ...usual,
  ...more,
  wiring: { ...usual.wiring, ownWork: true, ...by },
});

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
      cutOut: next() < 0.7,
      pilots: next() < 0.3,
      laid: of(["cord", "cord", "C"] as const),
      heatDouble: next() < 0.3,
      supply: of([0, 12]),
      metalBox: next() < 0.5,
    },
    of<Partial<WiringPlan>>([
      { heat: 60, cold: 80, motor: true, heatOhms: { low: 60, high: 980 } },
      { heat: 1500, cold: null, motor: false, heatOhms: { low: 33, high: 39 } },
      { heat: 200, cold: 80, motor: true, heatOhms: null },
      { heat: null, cold: 90, motor: true, heatOhms: null },
    ]),
  );
}
