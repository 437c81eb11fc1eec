import { newChamber, tryChange } from "@/core/chamber";
import { bandOf, keyingSteps, pointsOf, questionsOf, sentenceOf } from "@/core/controller";
import { DEFAULTS_VERSION, RECORD_VERSION, type ChamberRecord } from "@/core/model";
import { peakOwnHeat } from "@/core/product";
import { explain, recommend } from "@/core/recommend";
import { plainTrial, planOf, runTrial, sentenceOfPlan } from "@/core/trial";
import { judge } from "@/core/verdict";
import type * as z from "zod";
import type { chamberInput, requests } from "./schemas";

type Body<K extends keyof typeof requests> = z.output<(typeof requests)[K]>;

/** A chamber that cannot be: said with its reason. */
export class Impossible extends Error {}

const WHEN = "2026-01-01T00:00:00.000Z";

/** The chamber of a call, with the envelope that the application gives it. */
function recordOf(input: z.output<typeof chamberInput>): ChamberRecord {
  const base = newChamber("call", "Call", WHEN);
  const tried = tryChange(base, (r) => ({
    ...r,
    ...input,
    schemaVersion: RECORD_VERSION,
    defaultsVersion: DEFAULTS_VERSION,
  }));
  if (!tried.ok) throw new Impossible(tried.problem);
  return tried.value;
}

export function settingsAnswer({ chamber, scale }: Body<"settings">) {
  const plan = planOf(recordOf(chamber));
  return {
    settings: plan.settings,
    advised: plan.advised,
    margins: plan.margins,
    points: pointsOf(plan.settings, plan.chamber.unit),
    switching: plan.switching,
    sentence: sentenceOfPlan(plan, scale),
    findings: plan.findings(scale),
    questions: plan.questions(scale),
    steps: keyingSteps(plan.settings, plan.chamber.unit, plan.plugged, plan.chamber.unit.scale),
  };
}

export function readBackAnswer({ chamber, settings: typed, scale }: Body<"read-back">) {
  const plan = planOf(recordOf(chamber));
  const { unit, room, vessels } = plan.chamber;
  const settings = { ...plan.settings, ...typed };
  const { product, volume } = vessels[0]!;
  const about = {
    ask: plan.ask,
    advised: plan.advised,
    room,
    plugged: plan.plugged,
    ownHeat: peakOwnHeat(product, volume, plan.ask.target) > 0.5,
  };
  return {
    settings,
    band: bandOf(settings, unit),
    points: pointsOf(settings, unit),
    sentence: sentenceOf(settings, unit, plan.plugged, scale),
    questions: questionsOf(settings, unit, about, scale),
  };
}

export function trialAnswer({ chamber, days, bins }: Body<"trial">) {
  const plan = planOf(recordOf(chamber));
  const { trace, metrics, heat, cold, startHour } = runTrial(plainTrial(plan.chamber, plan.settings, days), bins);
  return { days, startHour, settings: plan.settings, trace, metrics, heat, cold };
}

export function verdictsAnswer({ chamber, days, scale }: Body<"verdicts">) {
  const plan = planOf(recordOf(chamber));
  return { verdicts: judge(plan, runTrial(plainTrial(plan.chamber, plan.settings, days)), scale) };
}

/** A search gives way to other calls every few trials, and ends after this long, ms. */
const LONGEST = 25_000;

export async function recommendationAnswer(
  { chamber, scale, probe, heater }: Body<"recommendation">,
  now: () => number,
) {
  const record = recordOf(chamber);
  const until = now() + LONGEST;
  const search = recommend(record, { probe, heater });
  for (;;) {
    const { value, done } = search.next();
    if (done) return { ...value, explanation: explain(record, value, scale) };
    if (now() > until) throw new Overlong();
    await new Promise((resolve) => setImmediate(resolve));
  }
}

/** The search took longer than the door allows. */
export class Overlong extends Error {}
