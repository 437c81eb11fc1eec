import { newChamber, tryChange } from "@/core/chamber";
import { bandOf, keyingSteps, pointsOf, sentenceOf } from "@/core/controller";
import { DEFAULTS_VERSION, CHAMBER_VERSION, type ChamberRecord } from "@/core/model";
import { explain, recommend } from "@/core/recommend";
import {
  planFindings,
  planOf,
  planQuestions,
  planSentence,
  runTrial,
  trialOf,
  unitsOf,
  type Plan,
  type UnitPlan,
} from "@/core/trial";
import { judge } from "@/core/verdict";
import type * as z from "zod";
import type { chamberInput, requests } from "./schemas";

type Body<K extends keyof typeof requests> = z.output<(typeof requests)[K]>;

/** A chamber that cannot be: said with its reason. */
export class Impossible extends Error {
  /** @param field where in the call it stands */
  constructor(
    message: string,
    readonly field = "chamber",
  ) {
    super(message);
  }
}

const WHEN = "2026-01-01T00:00:00.000Z";

/** The chamber of a call, with the envelope that the application gives it. */
function recordOf(input: z.output<typeof chamberInput>): ChamberRecord {
  const base = newChamber("call", "Call", WHEN);
  const tried = tryChange(base, (r) => ({
    ...r,
    ...input,
    schemaVersion: CHAMBER_VERSION,
    defaultsVersion: DEFAULTS_VERSION,
  }));
  if (!tried.ok) throw new Impossible(tried.problem);
  return tried.value;
}

/** The unit that a call asks about. */
function unitOf(plan: Plan, stage: string | undefined, controller: string | undefined): UnitPlan {
  const at = stage === undefined ? plan.stages[0] : plan.stages.find((s) => s.id === stage);
  if (!at) throw new Impossible(`There is no stage \u201c${stage}\u201d.`, "stage");
  const units = unitsOf(plan, at);
  const found = controller === undefined ? units[0] : units.find((u) => u.controller.id === controller);
  if (!found) throw new Impossible(`There is no controller \u201c${controller}\u201d.`, "controller");
  return found;
}

export function settingsAnswer({ chamber, scale, stage, controller }: Body<"settings">) {
  const plan = planOf(recordOf(chamber));
  const own = unitOf(plan, stage, controller);
  const { control } = own;
  const { unit } = own.controller;
  return {
    settings: control.settings,
    advised: control.advised,
    margins: control.margins,
    points: pointsOf(control.settings, unit),
    switching: control.switching,
    sentence: planSentence(own, scale),
    findings: planFindings(own, scale),
    questions: planQuestions(own, plan.chamber, scale),
    steps: keyingSteps(control.settings, unit, control.plugged, unit.scale),
    stages: plan.stages.map((s) => ({
      id: s.id,
      controllers: unitsOf(plan, s).map((u) => ({ id: u.controller.id, settings: u.control.settings })),
    })),
  };
}

export function readBackAnswer({ chamber, settings: typed, scale, stage, controller }: Body<"read-back">) {
  const plan = planOf(recordOf(chamber));
  const own = unitOf(plan, stage, controller);
  const { unit } = own.controller;
  const settings = { ...own.control.settings, ...typed };
  return {
    settings,
    band: bandOf(settings, unit),
    points: pointsOf(settings, unit),
    sentence: sentenceOf(settings, unit, own.control.plugged, scale),
    questions: planQuestions(own, plan.chamber, scale, settings),
  };
}

export function trialAnswer({ chamber, days, bins }: Body<"trial">) {
  const plan = planOf(recordOf(chamber));
  const trial = runTrial(trialOf(plan, days), bins);
  const { trace, metrics, stages, whole, bands, finishedAt, heat, cold, devices, startHour, moisture } = trial;
  const keyed = plan.stages.map((s) => ({
    id: s.id,
    controllers: unitsOf(plan, s).map((u) => ({ id: u.controller.id, settings: u.control.settings })),
  }));
  return { days, startHour, keyed, trace, metrics, stages, whole, bands, finishedAt, heat, cold, devices, moisture };
}

export function verdictsAnswer({ chamber, days, scale }: Body<"verdicts">) {
  const plan = planOf(recordOf(chamber));
  return { verdicts: judge(plan, runTrial(trialOf(plan, days)), scale) };
}

/** A search ends after this long, ms. */
const LONGEST = 25_000;

export function recommendationAnswer(
  { chamber, scale, probe, heater, stage, controller }: Body<"recommendation">,
  now: () => number,
) {
  const record = recordOf(chamber);
  unitOf(planOf(record), stage, controller);
  const until = now() + LONGEST;
  const search = recommend(record, { probe, heater, stage, controller });
  for (;;) {
    const { value, done } = search.next();
    if (done) return { ...value, explanation: explain(record, value, scale) };
    if (now() > until) throw new Overlong();
  }
}

/** The search took longer than the door allows. */
export class Overlong extends Error {}
