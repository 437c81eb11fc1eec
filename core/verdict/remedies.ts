import { fitToUnit, parametersOf, pointsOf, resolutionOf, settingsAt, type Points } from "../controller";
import { isBath } from "../chamber";
import type { Edit, SettingName } from "../model";
import { placeAtProduct, probeMove } from "../probe";
import { celsius } from "../quantity";
import type { Case, Remedy } from "./types";

/** Remedies that several rules offer; each is null where it would change nothing. */

/** The edits that make the unit switch at other readings, in the parameters that it has; null where nothing changes. */
function switchAt({ plan }: Case, points: Points): Edit[] | null {
  const { settings, chamber } = plan;
  const { unit } = chamber;
  const next = fitToUnit(settingsAt(points, unit, settings), unit);
  const half = resolutionOf(unit) / 2;
  const edits = parametersOf(unit)
    .filter((field) => Math.abs(next[field] - settings[field]) > half)
    .map((field): Edit => ({ section: "settings", field, value: next[field] }) as Edit);
  return edits.length ? edits : null;
}

const remedy = (id: string, label: string, edits: Edit[] | null): Remedy | null =>
  edits ? { id, label, edits } : null;

/** Both differentials, the ends at which each goes off left where they are; rounded away from them. */
function withDifferentials(c: Case, heating: number, cooling: number): Points {
  const { settings, chamber } = c.plan;
  const points = pointsOf(settings, chamber.unit);
  const tail = resolutionOf(chamber.unit) * 0.499;
  const least = chamber.unit.differentialLow;
  return {
    ...points,
    heatOn: celsius(points.heatOff - Math.max(heating + tail, least)),
    coolOn: celsius(points.coolOff + Math.max(cooling + tail, least)),
  };
}

const differentialsOf = ({ plan }: Case) => {
  const points = pointsOf(plan.settings, plan.chamber.unit);
  return { heating: points.heatOff - points.heatOn, cooling: points.coolOn - points.coolOff };
};

export function strapProbe({ plan }: Case): Remedy | null {
  const { probes, cabinet, vessels } = plan.chamber;
  const place = placeAtProduct(vessels[0]!);
  if (isBath(cabinet.kind) || probes[0]!.place === place) return null;
  return {
    ...(place === "core"
      ? { id: "into-product", label: "Push the probe into the product" }
      : { id: "strap-probe", label: "Strap the probe to the vessel, under insulation" }),
    edits: probeMove(place),
  };
}

/** Puts typed numbers back to what the band asks for. */
export function backToAdvised({ plan: { settings, advised, chamber } }: Case): Remedy | null {
  const half = resolutionOf(chamber.unit) / 2;
  const alarms: readonly SettingName[] = ["lowAlarm", "highAlarm", "lowDeviation", "highDeviation", "offset"];
  const fields = parametersOf(chamber.unit).filter(
    (field) => !alarms.includes(field) && Math.abs(settings[field] - advised[field]) > half,
  );
  if (fields.length === 0) return null;
  return {
    id: "advised",
    label: "Go back to the settings that follow from the band",
    edits: fields.map((field) => ({ section: "settings", field, value: undefined }) as Edit),
  };
}

export function widenToMargins(c: Case): Remedy | null {
  const { margins } = c.plan;
  const measured = c.trial.metrics.runOn;
  const now = differentialsOf(c);
  const heating = Math.max(margins.heating, measured.cold + 0.2, now.heating);
  const cooling = Math.max(margins.cooling, measured.heat + 0.2, now.cooling);
  if (heating <= now.heating && cooling <= now.cooling) return null;
  return remedy(
    "widen",
    "Widen the differentials until neither device answers the other",
    switchAt(c, withDifferentials(c, heating, cooling)),
  );
}

export function narrow(c: Case): Remedy | null {
  const { margins } = c.plan;
  const now = differentialsOf(c);
  const heating = Math.max(now.heating / 2, margins.heating);
  const cooling = Math.max(now.cooling / 2, margins.cooling);
  if (heating >= now.heating && cooling >= now.cooling) return null;
  return remedy(
    "narrow",
    "Halve the differentials, as far as heat and cold stay apart",
    switchAt(c, withDifferentials(c, Math.min(heating, now.heating), Math.min(cooling, now.cooling))),
  );
}

/** Both differentials at least so wide. */
export function widenTo(c: Case, least: number): Remedy | null {
  const now = differentialsOf(c);
  return remedy(
    "wider",
    "Widen the differentials beyond what a reading does by itself",
    switchAt(c, withDifferentials(c, Math.max(now.heating, least), Math.max(now.cooling, least))),
  );
}

export function doubleHeat(c: Case): Remedy | null {
  const now = differentialsOf(c);
  return remedy(
    "wider-heat",
    "Double the heating differential",
    switchAt(c, withDifferentials(c, now.heating * 2, now.cooling)),
  );
}

export function doubleCold(c: Case): Remedy | null {
  const now = differentialsOf(c);
  return remedy(
    "wider-cold",
    "Double the cooling differential",
    switchAt(c, withDifferentials(c, now.heating, now.cooling * 2)),
  );
}

/** Moves all switching so that the product's swing is centred on the target. */
export function shiftSetpoint(c: Case): Remedy | null {
  const { plan, trial } = c;
  const range = trial.metrics.arrived?.product;
  if (!range) return null;
  const { low, high } = plan.chamber.stages[0]!;
  const shift = (low + high) / 2 - (range.low + range.high) / 2;
  const points = pointsOf(plan.settings, plan.chamber.unit);
  const moved = (t: number) => celsius(t + shift);
  return remedy(
    "shift",
    plan.chamber.unit.kind === "twoLimits"
      ? "Move both limits so that the swing lies in the middle of the band"
      : "Move the setpoint so that the swing lies in the middle of the band",
    switchAt(c, {
      heatOn: moved(points.heatOn),
      heatOff: moved(points.heatOff),
      coolOn: moved(points.coolOn),
      coolOff: moved(points.coolOff),
    }),
  );
}

/** Whether two remedies want different values of the same thing: only one of them can be kept. */
export function excludes(a: Remedy, b: Remedy): boolean {
  return a.edits.some((x) =>
    b.edits.some(
      (y) =>
        x.section === y.section &&
        x.field === y.field &&
        (x.index ?? 0) === (y.index ?? 0) &&
        JSON.stringify(x.value) !== JSON.stringify(y.value),
    ),
  );
}

export const offered = (...remedies: (Remedy | null)[]): Remedy[] => remedies.filter((r) => r !== null);
