import { AIR } from "../chamber";
import { stageName } from "../program";
import type { Scale } from "../quantity";
import { servingController, type Plan, type Trial } from "../trial";
import { afterwards } from "./afterwards";
import { airTooHot, airUnseen } from "./air";
import { alarmBlind, alarmNagging } from "./alarms";
import { coldBarely, coldTooWeak, heaterBarely, heaterTooWeak, neverArrives, slowArrival } from "./arrival";
import {
  fridgeStaysOff,
  fridgeThermostat,
  heaterCutsOut,
  heaterOversized,
  heaterStaysOff,
  lightOnProduct,
  notPluggedIn,
  surfaceHot,
} from "./devices";
import { calmTrial, without } from "./calm";
import { outsideModel } from "./ground";
import { takenOut } from "./happened";
import { liesInLayers } from "./layers";
import { doesNotFit } from "./fits";
import { wiredWrong } from "./wired";
import { bandsApart, nearFreezing, offsetWrong, outsidePacket, twoTemperatures } from "./job";
import { absorberFull, humidityOff, iceGrows, mouldGrows, waterFights, wetInside } from "./moist";
import { allWell } from "./normal";
import { heldUnknown, limitPassed, noLimitKnown, notReady, slowComeUp, tooCoolToKill } from "./product";
import { nobodyThere, stageStalls, trialTooShort } from "./program";
import { differentialTooFine, limitsReversed, noAlarm, offsetHides, probeLoose, unitsFight } from "./reading";
import { basketFull, boils, fuelEnds, glowTooStrong, iceEnds, oneSided, wastedEnergy } from "./supplies";
import { sameVerdict } from "./same";
import { mayChase } from "./spans";
import { leavesBand, livesAtOneEnd, overshoot } from "./swing";
import { chasing, delayTooLong, delayTooShort, relayWears, shortCycling } from "./switching";
import type { Case, Judgement, Rule, Scope, Severity, Verdict } from "./types";

/** In the order of what hurts most within a severity, each with what it is asked about. */
const rules: readonly (readonly [Scope, Rule])[] = [
  ["stage", airTooHot],
  ["judged", probeLoose],
  ["program", heaterStaysOff],
  ["program", fridgeStaysOff],
  ["controller", limitsReversed],
  ["judged", neverArrives],
  ["judged", nearFreezing],
  ["judged", liesInLayers],
  ["judged", heaterTooWeak],
  ["judged", coldTooWeak],
  ["program", fuelEnds],
  ["stage", glowTooStrong],
  ["judged", unitsFight],
  ["judged", chasing],
  ["controller", offsetWrong],
  ["controller", offsetHides],
  ["program", notPluggedIn],
  ["stage", stageStalls],
  ["program", trialTooShort],
  ["judged", oneSided],
  ["program", iceEnds],
  ["judged", mayChase],
  ["program", limitPassed],
  ["program", tooCoolToKill],
  ["program", slowComeUp],
  ["program", noLimitKnown],
  ["judged", leavesBand],
  ["judged", takenOut],
  ["program", afterwards],
  ["program", doesNotFit],
  ["program", wiredWrong],
  ["judged", boils],
  ["program", surfaceHot],
  ["program", heaterCutsOut],
  ["program", fridgeThermostat],
  ["controller", delayTooShort],
  ["controller", delayTooLong],
  ["controller", shortCycling],
  ["controller", differentialTooFine],
  ["controller", alarmBlind],
  ["controller", alarmNagging],
  ["stage", humidityOff],
  ["program", wetInside],
  ["program", outsideModel],
  ["judged", outsidePacket],
  ["stage", twoTemperatures],
  ["stage", bandsApart],
  ["program", lightOnProduct],
  ["program", wastedEnergy],
  ["stage", nobodyThere],
  ["judged", slowArrival],
  ["judged", overshoot],
  ["judged", heaterBarely],
  ["judged", coldBarely],
  ["stage", heaterOversized],
  ["program", notReady],
  ["program", mouldGrows],
  ["program", iceGrows],
  ["program", absorberFull],
  ["program", waterFights],
  ["program", basketFull],
  ["program", heldUnknown],
  ["judged", livesAtOneEnd],
  ["judged", airUnseen],
  ["controller", relayWears],
  ["stage", noAlarm],
  ["program", allWell],
];

const weight: Record<Severity, number> = { danger: 0, warning: 1, note: 2, good: 3 };

/** Every case of a scope, stage by stage; the whole program is asked about with its first. */
export function casesOf(judgement: Judgement, scope: Scope): Case[] {
  const { plan, trial } = judgement;
  const { chamber } = plan;
  // A stage whose end was there as it began has no time in which anything could be judged.
  const results = scope === "program" ? trial.stages.slice(0, 1) : trial.stages.filter((s) => s.to > s.from);
  return results.flatMap((result): Case[] => {
    const s = chamber.stages.findIndex((stage) => stage.id === result.id);
    const stage = chamber.stages[s]!;
    const stagePlan = plan.stages[s]!;
    const about = (judged: string, c: number): Case => {
      const controller = chamber.controllers[c]!;
      const metrics =
        scope === "program" ? trial.metrics : (result.metrics.find((m) => m.judged === judged) ?? result.metrics[0]!);
      const vessel = chamber.vessels.find((v) => v.id === metrics.judged) ?? chamber.vessels[0]!;
      return {
        ...judgement,
        chamber,
        stagePlan,
        stage,
        result,
        metrics,
        band: (metrics.judged === AIR ? null : vessel.band) ?? stage,
        vessel,
        controller,
        unit: controller.unit,
        control: stagePlan.controls[c]!,
        probe: chamber.probes.find((p) => p.id === controller.probes[0])!,
      };
    };
    const serving = (id: string) => servingController(chamber, { id });
    if (scope === "controller") return chamber.controllers.map((_, c) => about(stagePlan.controls[c]!.holds, c));
    const ids = result.metrics.map((m) => m.judged);
    return (scope === "judged" ? ids : ids.slice(0, 1)).map((id) => about(id, serving(id)));
  });
}

/** What a case is about, where there are several of its kind. */
function subjectOf(c: Case, scope: Scope): string | null {
  if (scope === "judged") return c.result.metrics.length > 1 ? c.metrics.judged : null;
  if (scope === "controller") return c.chamber.controllers.length > 1 ? c.controller.id : null;
  return null;
}

/** A verdict that several stages share: what hurts most, with the names of the others. */
function merged(all: readonly Verdict[], { chamber }: Plan): Verdict {
  const [worst, ...others] = [...all].sort((a, b) => weight[a.severity] - weight[b.severity]);
  const name = (v: Verdict) => stageName(chamber.stages, v.stage!);
  if (worst!.stage === null) return worst!;
  const also = others.length > 0 ? ` Likewise in ${others.map(name).join(", ")}.` : "";
  return { ...worst!, text: `${name(worst!)}: ${worst!.text}${also}` };
}

/** Verdicts that hold for a kind as a whole say the same of every vessel: one is enough. */
const ofTheBox = new Set([
  "heater-too-weak",
  "cold-too-weak",
  "heater-barely",
  "cold-barely",
  "chasing",
  "may-chase",
  "units-fight",
  "boils",
]);

/** What the rules find on one trial. */
function found(judgement: Judgement): Verdict[] {
  const { plan } = judgement;
  const several = plan.chamber.stages.length > 1;
  return rules.flatMap(([scope, rule]) => {
    const own = casesOf(judgement, scope).flatMap((c): Verdict[] => {
      const answer = rule(c);
      const findings = answer === null ? [] : Array.isArray(answer) ? answer : [answer];
      return findings.map((f) => ({
        ...f,
        stage: several && scope !== "program" ? c.stage.id : null,
        about: ofTheBox.has(f.id) ? null : (f.about ?? subjectOf(c, scope)),
      }));
    });
    const keys = [...new Set(own.map((v) => `${v.id}|${v.about}`))];
    return keys.map((key) =>
      merged(
        // Of one stage the first is enough: they differ in what they are about, or not at all.
        own
          .filter((v) => `${v.id}|${v.about}` === key)
          .filter((v, i, all) => all.findIndex((w) => w.stage === v.stage) === i),
        plan,
      ),
    );
  });
}

/**
 * All verdicts on a trial, what hurts most first. Never empty where the product reaches its band: then what is normal is
 * said. Settings, devices and box are judged by the trial in which nothing happens, so that a happening neither excuses
 * what is wrong without it nor spoils what is normal; what comes of the happenings is said besides.
 */
export function judge(plan: Plan, trial: Trial, scale: Scale): Verdict[] {
  const calm = calmTrial(plan, trial);
  const all = found({ plan: calm === trial ? plan : without(plan, () => true), trial: calm, scale, calm: null });
  if (calm !== trial)
    for (const v of found({ plan, trial, scale, calm }))
      if (v.severity !== "good" && !all.some((b) => sameVerdict(b, v)))
        all.push(
          v.id === "taken-out" ? v : { ...v, text: `${v.text} Without what happens in this trial it is not so.` },
        );
  const bad = all.some((v) => v.severity === "danger");
  return all.filter((v) => v.severity !== "good" || !bad).sort((a, b) => weight[a.severity] - weight[b.severity]);
}
