import { alarmsOf, fitToUnit, outletsOf, parametersOf, pointsOf, resolutionOf, settingsAt } from "../controller";
import type { Edit } from "../model";
import { celsius, differenceFromScale, printDuration, printNumber } from "../quantity";
import { widenTo } from "./remedies";
import type { Rule } from "./types";
import { words } from "./words";

/** A differential that the display's own step or the sensor's noise crosses by itself. */
export const differentialTooFine: Rule = (c) => {
  const { chamber, settings } = c.plan;
  const { unit } = chamber;
  const probe = chamber.probes[0]!;
  const points = pointsOf(settings, unit);
  const { heat, cold } = outletsOf(unit);
  const least = Math.min(
    heat && c.plan.plugged.heater ? points.heatOff - points.heatOn : Infinity,
    cold && c.plan.plugged.cooler ? points.coolOn - points.coolOff : Infinity,
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
  const { chamber, settings } = c.plan;
  if (chamber.probes[0]!.error !== 0 || Math.abs(settings.offset) < 0.25) return null;
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
        edits: [{ section: "settings", field: "offset", value: undefined }],
      },
    ],
  };
};

/** Heat, or cold, runs for hours while the product is already past the other end: the probe does not feel it. */
export const probeLoose: Rule = (c) => {
  const { trace } = c.trial;
  const { low, high } = c.plan.chamber.stages[0]!;
  const points = pointsOf(c.plan.settings, c.plan.chamber.unit);
  let first = -1;
  let seen = 0;
  for (let i = 0; i < trace.bins; i++) {
    const heats =
      trace.heat[i]! > 0.95 && trace.low.product[i]! > high + 1.5 && trace.high.reading[i]! < points.heatOff;
    const cools = trace.cold[i]! > 0.95 && trace.high.product[i]! < low - 1.5 && trace.low.reading[i]! > points.coolOff;
    if (!heats && !cools) continue;
    if (first < 0) first = i;
    seen++;
  }
  if (seen < 2) return null;
  const { at, when } = words(c);
  const warm = trace.low.product[first]! > high;
  const extreme = warm ? Math.max(...trace.high.product) : Math.min(...trace.low.product);
  return {
    id: "probe-loose",
    severity: "danger",
    station: "probe",
    title: "The probe is likely out of its place",
    text: `From ${when(first * trace.width)} the ${warm ? "heater" : "cooling"} runs without a pause for ${printDuration(seen * trace.width)} while the product is already at ${at(trace.low.product[first]!)}; it gets to ${at(extreme)}. The display shows ${at(trace.low.reading[first]!)}: what it reads is not the product.`,
    moment: first * trace.width,
    remedies: [],
  };
};

/** No alarm at all. */
export const noAlarm: Rule = (c) => {
  const { unit } = c.plan.chamber;
  const alarms = alarmsOf(c.plan.settings, unit);
  if (alarms.low !== null || alarms.high !== null) return null;
  return {
    id: "no-alarm",
    severity: "note",
    station: "settings",
    title: "No alarm will sound",
    text: `${unit.alarms === "none" ? "This unit has none" : "Both are switched off (0)"}: for ${printNumber(c.trial.days, 1)} days nobody is called when something fails. Look at it every day, or hang a thermometer with an alarm beside it.`,
    moment: null,
    remedies:
      unit.alarms === "deviation"
        ? [
            {
              id: "alarms-on",
              label: "Put the alarms just outside of what is normal",
              edits: [
                { section: "settings", field: "lowDeviation", value: undefined },
                { section: "settings", field: "highDeviation", value: undefined },
              ],
            },
          ]
        : [],
  };
};

/** Two limits the wrong way round: the unit does nothing sensible. */
export const limitsReversed: Rule = (c) => {
  const { settings, chamber } = c.plan;
  if (chamber.unit.kind !== "twoLimits" || settings.lowLimit < settings.highLimit) return null;
  const { at } = words(c);
  return {
    id: "limits-reversed",
    severity: "danger",
    station: "settings",
    title: "The two limits are the wrong way round",
    text: `Low is ${at(settings.lowLimit)}, high is ${at(settings.highLimit)}. ${chamber.unit.outlet === "heat" ? "Heat comes on at the low one and goes off at the high one." : "Cold comes on at the high one and goes off at the low one."}`,
    moment: null,
    remedies: [
      {
        id: "limits-back",
        label: "Take the limits that follow from the band",
        edits: [
          { section: "settings", field: "lowLimit", value: undefined },
          { section: "settings", field: "highLimit", value: undefined },
        ],
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

/** Two opposed units heat and cool at once. */
export const unitsFight: Rule = (c) => {
  const { chamber, settings } = c.plan;
  if (chamber.unit.kind !== "pair") return null;
  const both = together(c.trial.heat, c.trial.cold, c.trial.days * 86_400);
  if (both.seconds < 60) return null;
  const { at, when } = words(c);
  const points = pointsOf(settings, chamber.unit);
  const width = points.coolOn - points.coolOff;
  // Cold comes on at least a degree above where heat goes off: two probes may differ by that much.
  const off = Math.max(points.heatOff, points.heatOff + 1 + resolutionOf(chamber.unit) - width);
  const next = fitToUnit(
    settingsAt({ ...points, coolOff: celsius(off), coolOn: celsius(off + width) }, chamber.unit, settings),
    chamber.unit,
  );
  return {
    id: "units-fight",
    severity: "danger",
    station: "settings",
    title: "The two units work against each other",
    text: `Heat and cold are on together for ${printDuration(both.seconds)} in all (first at ${when(both.from)}): heat runs up to ${at(points.heatOff)}, cold down to ${at(points.coolOff)}.`,
    moment: both.from,
    remedies: [
      {
        id: "part-units",
        label: "Set the cold unit so that it begins a degree above the end of heat",
        edits: parametersOf(chamber.unit)
          .filter((f) => Math.abs(next[f] - settings[f]) > 1e-6)
          .map((field): Edit => ({ section: "settings", field, value: next[field] }) as Edit),
      },
    ],
  };
};
