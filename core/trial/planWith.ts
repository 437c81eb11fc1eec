import { AIR, coolersOn, describe, heatersOn, judgedOf } from "../chamber";
import {
  fitToUnit,
  outletsOf,
  pointsOf,
  settingTable,
  switchingOf,
  wishFor,
  type Called,
  type ControlRequest,
  type Margins,
  type Plugged,
  type Switching,
} from "../controller";
import {
  fill,
  settingNames,
  type Band,
  type Chamber,
  type ChamberRecord,
  type Controller,
  type Named,
  type Settings,
  type Stage,
} from "../model";
import { peakHeatOfAll } from "../product";
import { kelvins, type TemperatureDifference } from "../quantity";

/** What is measured on the chamber's own network before settings can be worked out: trials of their own. */
export interface Groundwork {
  margins: Margins;
  called: Called;
  stray: TemperatureDifference;
}

/** One controller in one stage: what is asked of it, what is keyed into it, where it switches. Plain data. */
export interface ControlPlan {
  controller: string;
  /** What it holds: a vessel, or "air". */
  holds: string;
  request: ControlRequest;
  margins: Margins;
  /** What the band asks for, as it is and fitted to the unit. */
  wished: Settings;
  advised: Settings;
  /** What is keyed in: the advised settings with the typed ones laid over them, fitted to the unit. */
  settings: Settings;
  switching: Switching;
  plugged: Plugged;
  /** The products give off heat of their own. */
  ownHeat: boolean;
  /** Where another controller brings heat for the same; null where none does. */
  heatOfAnother: { heatOn: Settings["setpoint"]; heatOff: Settings["setpoint"] } | null;
}

export interface StagePlan {
  id: string;
  stage: Named<Stage>;
  /** In the order of the chamber's controllers. */
  controls: ControlPlan[];
  groundwork: Groundwork[];
}

/** A stored chamber with all that follows from it short of a trial: plain data, made once and carried along. */
export interface Plan {
  chamber: Chamber;
  stages: StagePlan[];
}

/** What a controller holds in a stage, with the band that holds for it. */
function heldIn(chamber: Chamber, stage: Stage, { probes, heat, cold }: Controller): { id: string; band: Band } {
  const sits = chamber.probes.find((p) => p.id === probes[0])!.in;
  const own = chamber.vessels.find((v) => v.id === sits);
  if (own?.band) return { id: own.id, band: own.band };
  const alone = { air: -1, vessels: chamber.vessels.map(() => -1) };
  const judged = judgedOf(alone, chamber, stage);
  const shared = judged.find((j) => j.id === sits) ?? judged.find((j) => j.own === null) ?? judged[0]!;
  return { id: heat.length + cold.length > 0 || stage.of !== "air" ? shared.id : AIR, band: shared.own ?? stage };
}

function pluggedInto(chamber: Chamber, controller: Controller): Plugged {
  const heaters = heatersOn(chamber, controller);
  const coolers = coolersOn(chamber, controller);
  const others = chamber.controllers.filter((c) => c.id !== controller.id);
  const elsewhere = {
    heaterElsewhere: others.some((c) => outletsOf(c.unit).heat && heatersOn(chamber, c).length > 0),
    coolerElsewhere: others.some((c) => outletsOf(c.unit).cold && coolersOn(chamber, c).length > 0),
  };
  return {
    heater: heaters.length > 0,
    cooler: coolers.length > 0,
    compressor: coolers.some((c) => c.kind === "compressor"),
    ...(others.length > 0 ? elsewhere : {}),
  };
}

/** What has been typed for a stage, with what stands in the unit from the stages before. */
function typedFor(
  record: ChamberRecord,
  stage: number,
  controller: string,
): Partial<Record<keyof Settings, { value: never }>> {
  const typed: Record<string, unknown> = {};
  for (const name of settingNames) {
    const own = record.stages[stage]!.settings[controller]?.[name];
    const before = settingTable[name].stays
      ? record.stages
          .slice(0, stage)
          .map((s) => s.settings[controller]?.[name])
          .filter(Boolean)
          .at(-1)
      : undefined;
    const entry = own ?? before;
    if (entry) typed[name] = entry;
  }
  return typed;
}

/** Works out the settings of every stage and controller, given what was measured on the network. */
export function planWith(
  record: ChamberRecord,
  chamber: Chamber,
  groundworkOf: (stage: number, controller: number, band: Band, held: string) => Groundwork,
): Plan {
  const stages = chamber.stages.map((stage, s): StagePlan => {
    const groundwork: Groundwork[] = [];
    const controls = chamber.controllers.map((controller, c): ControlPlan => {
      const { id, unit, probes } = controller;
      const { error } = chamber.probes.find((p) => p.id === probes[0])!;
      const held = heldIn(chamber, stage, controller);
      const ground = groundworkOf(s, c, held.band, held.id);
      groundwork.push(ground);
      const typed = typedFor(record, s, id);
      const differential = (side: "heating" | "cooling") => {
        const entry = typed[`${side}Differential`];
        return entry ? { [side]: entry.value } : {};
      };
      const request: ControlRequest = {
        low: held.band.low,
        high: held.band.high,
        target: held.band.target,
        error,
        margins: ground.margins,
        called: ground.called,
        stray: ground.stray,
        wish: stage.wish,
        typed: { ...differential("heating"), ...differential("cooling") },
      };
      const wish = wishFor(request, unit);
      const wished = fill(wish, typed);
      const settings = fitToUnit(wished, unit);
      return {
        controller: id,
        holds: held.id,
        request,
        margins: ground.margins,
        wished,
        advised: fitToUnit(wish, unit),
        settings,
        switching: switchingOf(settings, unit, error),
        plugged: pluggedInto(chamber, controller),
        ownHeat: peakHeatOfAll(chamber.vessels, held.band.target) > 0.5,
        heatOfAnother: null,
      };
    });
    // Only a unit that does not heat itself is at odds with another that heats the same.
    controls.forEach((control, c) => {
      if (outletsOf(chamber.controllers[c]!.unit).heat) return;
      const other = controls.findIndex(
        (o, k) =>
          k !== c && o.holds === control.holds && outletsOf(chamber.controllers[k]!.unit).heat && o.plugged.heater,
      );
      if (other < 0) return;
      const { heatOn, heatOff } = pointsOf(controls[other]!.settings, chamber.controllers[other]!.unit);
      control.heatOfAnother = { heatOn, heatOff };
    });
    return { id: stage.id, stage, controls, groundwork };
  });
  return { chamber, stages };
}

/**
 * The plan of a record that has changed since another was worked out, without measuring anew: what the hand sees while
 * the worker works the true one out. Null where the two have not the same stages and controllers.
 */
export function planLike(record: ChamberRecord, known: Plan): Plan | null {
  const chamber = describe(record);
  const same =
    chamber.stages.length === known.stages.length && chamber.controllers.length === known.chamber.controllers.length;
  return same ? planWith(record, chamber, (s, c) => known.stages[s]!.groundwork[c]!) : null;
}

/** Nothing is measured: no margins, and all that is there is called for. */
const UNMEASURED: Groundwork = {
  margins: { heating: kelvins(0), cooling: kelvins(0) },
  called: { heat: true, cold: true },
  stray: kelvins(0),
};

/**
 * The plan of a record of which no trial could be run: its fields, so that the cause can be taken back. Its advice
 * knows nothing of how far the devices run on.
 */
export const planRough = (record: ChamberRecord): Plan => planWith(record, describe(record), () => UNMEASURED);

/** One controller of a plan in one stage, with its unit. */
export interface UnitPlan {
  control: ControlPlan;
  controller: Controller;
}

/** The controllers of a stage's plan, each with its unit. */
export const unitsOf = ({ chamber }: Plan, { controls }: StagePlan): UnitPlan[] =>
  controls.map((control, c) => ({ control, controller: chamber.controllers[c]! }));
