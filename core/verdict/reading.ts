import { alarmsOf, fitToUnit, outletsOf, parametersOf, pointsOf, resolutionOf, settingsAt } from "../controller";
import type { Edit } from "../model";
import { celsius, differenceFromScale, printDuration, printNumber } from "../quantity";
import { servingController, timesWithin, unitsOf, type UnitPlan } from "../trial";
import { groupOf, pointsIn } from "./group";
import { binsOf, judgedLine, shareOn } from "./lines";
import { widenTo } from "./remedies";
import type { Case, Rule } from "./types";
import { words } from "./words";

/** A differential that the display's own step or the sensor's noise crosses by itself. */
export const differentialTooFine: Rule = (c) => {
  const { unit, probe, control } = c;
  const { settings } = control;
  const points = pointsOf(settings, unit);
  const { heat, cold } = outletsOf(unit);
  const least = Math.min(
    heat && control.plugged.heater ? points.heatOff - points.heatOn : Infinity,
    cold && control.plugged.cooler ? points.coldOn - points.coldOff : Infinity,
  );
  const grain = Math.max(differenceFromScale(unit.resolution, unit.scale), probe.step, 3 * probe.noise);
  if (!Number.isFinite(least) || least > 1.5 * grain) return null;
  const { by } = words(c);
  return {
    id: "differential-too-fine",
    severity: "warning",
    station: "settings",
    title: "The differential is finer than the display",
    text: `The smallest differential is ${by(least)}; a reading moves by ${by(grain)} without any change${3 * probe.noise >= grain ? " (three times the noise of the probe)" : ""}. It will switch by chance.`,
    moment: null,
    remedies: [widenTo(c, 2 * grain)].filter((r) => r !== null),
  };
};

/** An offset where no error of the probe is known. */
export const offsetHides: Rule = (c) => {
  const { settings } = c.control;
  if (c.probe.error !== 0 || Math.abs(settings.offset) < 0.25) return null;
  const { by } = words(c);
  return {
    id: "offset-hides",
    severity: Math.abs(settings.offset) >= 1 ? "danger" : "warning",
    station: "probe",
    title: "An offset without an error of the probe",
    text: `The offset is ${by(settings.offset)}, but no error of the probe is known. A difference between top and bottom, or between air and product, is a gradient and no offset: hunting it this way makes it worse. Try the probe in ice water.`,
    moment: null,
    remedies: [
      {
        id: "true-offset",
        label: "Set the offset to 0",
        edits: c.plan.stages.map(({ id }) => ({
          section: "settings",
          field: "offset",
          id: c.controller.id,
          stage: id,
          value: undefined,
        })),
      },
    ],
  };
};

/** Heat, or cold, runs for hours while the product is already past the other end: the probe does not feel it. */
export const probeLoose: Rule = (c) => {
  // A probe in another vessel cannot feel one with a band of its own: that is no fault of its place.
  if (c.vessel.band && c.metrics.judged === c.vessel.id && c.probe.in !== c.vessel.id) return null;
  const { trace } = c.trial;
  const { low, high } = c.band;
  const points = pointsIn(c);
  const line = judgedLine(c);
  const group = groupOf(c);
  const heaters = group.flatMap((u) => u.controller.heat);
  const coolers = group.flatMap((u) => u.controller.cold);
  // The trace shows the display of what holds the first thing that is judged.
  const shown = servingController(c.chamber, { id: c.trial.stages[0]!.metrics[0]!.judged });
  const reads = c.chamber.controllers[shown]!.id === c.controller.id;
  let first = -1;
  let seen = 0;
  for (const i of binsOf(c)) {
    const heats =
      line.low[i]! > high + 1.5 && (!reads || trace.high.reading[i]! < points.heatOff) && shareOn(c, heaters, i) > 0.95;
    const cools =
      line.high[i]! < low - 1.5 && (!reads || trace.low.reading[i]! > points.coldOff) && shareOn(c, coolers, i) > 0.95;
    if (!heats && !cools) continue;
    if (first < 0) first = i;
    seen++;
  }
  if (seen < 2) return null;
  const { at, when, theJudged } = words(c);
  const warm = line.low[first]! > high;
  const extreme = warm ? c.metrics.whole.product.high : c.metrics.whole.product.low;
  const display = reads ? ` The display shows ${at(trace.low.reading[first]!)}: what it reads is not the product.` : "";
  return {
    id: "probe-loose",
    severity: "danger",
    station: "probe",
    title: "The probe is likely out of its place",
    text: `From ${when(first * trace.width)} the ${warm ? "heater" : "cooling"} runs without a pause for ${printDuration(seen * trace.width)} while ${theJudged} is already at ${at(line.low[first]!)}; it gets to ${at(extreme)}.${display}`,
    moment: first * trace.width,
    remedies: [],
  };
};

/** No alarm at all, on any of the units. */
export const noAlarm: Rule = (c) => {
  const units = unitsOf(c.plan, c.stagePlan);
  const silent = units.every(({ control, controller }) => {
    const { low, high } = alarmsOf(control.settings, controller.unit);
    return low === null && high === null;
  });
  if (!silent) return null;
  const off = units.filter((u) => u.controller.unit.alarms === "deviation");
  return {
    id: "no-alarm",
    severity: "note",
    station: "settings",
    title: "No alarm will sound",
    text: `${off.length === 0 ? (units.length > 1 ? "None of these units has one" : "This unit has none") : "They are switched off (0)"}: for ${printNumber(c.trial.days, 1)} days nobody is called when something fails. Look at it every day, or hang a thermometer with an alarm beside it.`,
    moment: null,
    remedies: off.length
      ? [
          {
            id: "alarms-on",
            label: "Put the alarms just outside of what is normal",
            edits: off.flatMap(({ controller }) =>
              (["lowDeviation", "highDeviation"] as const).map((field) => ({
                section: "settings" as const,
                field,
                id: controller.id,
                stage: c.stage.id,
                value: undefined,
              })),
            ),
          },
        ]
      : [],
  };
};

/** Two limits the wrong way round: the unit does nothing sensible. */
export const limitsReversed: Rule = (c) => {
  const { settings } = c.control;
  if (c.unit.kind !== "twoLimits" || settings.lowLimit < settings.highLimit) return null;
  const { at } = words(c);
  return {
    id: "limits-reversed",
    severity: "danger",
    station: "settings",
    title: "The two limits are the wrong way round",
    text: `Low is ${at(settings.lowLimit)}, high is ${at(settings.highLimit)}. ${c.unit.outlet === "heat" ? "Heat comes on at the low one and goes off at the high one." : "Cold comes on at the high one and goes off at the low one."}`,
    moment: null,
    remedies: [
      {
        id: "limits-back",
        label: "Take the limits that follow from the band",
        edits: (["lowLimit", "highLimit"] as const).map((field) => ({
          section: "settings",
          field,
          id: c.controller.id,
          stage: c.stage.id,
          value: undefined,
        })),
      },
    ],
  };
};

/** Seconds that heat and cold were on together. */
function together(heat: readonly number[], cold: readonly number[], end: number): { seconds: number; from: number } {
  let seconds = 0;
  let from = 0;
  for (let i = 0; i < heat.length; i += 2)
    for (let k = 0; k < cold.length; k += 2) {
      const a = Math.max(heat[i]!, cold[k]!);
      const b = Math.min(heat[i + 1] ?? end, cold[k + 1] ?? end);
      if (b <= a) continue;
      if (seconds === 0) from = a;
      seconds += b - a;
    }
  return { seconds, from };
}

/** Start and stop times of all devices on one side of some units, as if they were one. */
function timesOf(c: Case, units: readonly UnitPlan[], side: "heat" | "cold"): number[] {
  const spans = c.trial.devices
    .filter((d) => units.some((u) => u.controller[side].includes(d.id)))
    .flatMap(({ times }) => times.flatMap((t, i) => (i % 2 === 0 ? [[t, times[i + 1] ?? Infinity] as const] : [])))
    .sort((a, b) => a[0] - b[0]);
  const merged: number[] = [];
  for (const [from, to] of spans) {
    const last = merged.at(-1);
    if (last !== undefined && merged.length % 2 === 0 && from <= last) merged[merged.length - 1] = Math.max(last, to);
    else merged.push(from, to);
  }
  return timesWithin(merged, c.result.from, c.result.to);
}

/** Two opposed units heat and cool the same thing at once. */
export const unitsFight: Rule = (c) => {
  const group = groupOf(c);
  const colds = group.filter((u) => outletsOf(u.controller.unit).cold && u.control.plugged.cooler);
  const heats = group.filter((u) => outletsOf(u.controller.unit).heat && u.control.plugged.heater);
  const apart = colds.filter((u) => !heats.includes(u));
  if (apart.length === 0 || heats.length === 0) return null;
  const both = together(timesOf(c, heats, "heat"), timesOf(c, apart, "cold"), c.result.to);
  if (both.seconds < 60) return null;
  const { at, when } = words(c);
  const { heatOff } = pointsIn(c);
  const [cold] = apart;
  const { unit } = cold!.controller;
  const points = pointsOf(cold!.control.settings, unit);
  const width = points.coldOn - points.coldOff;
  // Cold comes on at least a degree above where heat goes off: two probes may differ by that much.
  const off = Math.max(heatOff, heatOff + 1 + resolutionOf(unit) - width);
  const next = fitToUnit(
    settingsAt({ ...points, coldOff: celsius(off), coldOn: celsius(off + width) }, unit, cold!.control.settings),
    unit,
  );
  return {
    id: "units-fight",
    severity: "danger",
    station: "settings",
    title: "The two units work against each other",
    text: `Heat and cold are on together for ${printDuration(both.seconds)} in all (first at ${when(both.from)}): heat runs up to ${at(heatOff)}, cold down to ${at(points.coldOff)}.`,
    moment: both.from,
    remedies: [
      {
        id: "part-units",
        label: "Set the cold unit so that it begins a degree above the end of heat",
        edits: parametersOf(unit)
          .filter((f) => Math.abs(next[f] - cold!.control.settings[f]) > 1e-6)
          .map(
            (field): Edit =>
              ({
                section: "settings",
                field,
                id: cold!.controller.id,
                stage: c.stage.id,
                value: next[field],
              }) as Edit,
          ),
      },
    ],
  };
};
