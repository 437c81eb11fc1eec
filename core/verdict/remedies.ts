import { differenceOnUnit, onUnit, resolutionOf } from "../controller";
import { celsius, kelvins } from "../quantity";
import type { Case, Remedy } from "./types";

/** Remedies that several rules offer; each is null where it would change nothing. */

const atLeast = (d: number, { plan }: Case) =>
  differenceOnUnit(kelvins(Math.max(d, plan.chamber.unit.differentialLow)), plan.chamber.unit);

/** The first multiple of the unit's resolution that is not below `d`. */
const roundedUp = (d: number, c: Case) => atLeast(d + resolutionOf(c.plan.chamber.unit) * 0.499, c);

export function strapProbe({ plan }: Case): Remedy | null {
  return plan.chamber.probes[0]!.place === "strapped"
    ? null
    : {
        id: "strap-probe",
        label: "Strap the probe to the vessel, under insulation",
        edits: [{ section: "probe", field: "place", value: "strapped" }],
      };
}

/** Puts typed numbers back to what the band asks for. */
export function backToAdvised({ plan: { settings, advised, chamber } }: Case): Remedy | null {
  const half = resolutionOf(chamber.unit) / 2;
  const fields = (["setpoint", "heatingDifferential", "coolingDifferential"] as const).filter(
    (field) => Math.abs(settings[field] - advised[field]) > half,
  );
  if (fields.length === 0) return null;
  return {
    id: "advised",
    label: "Go back to the settings that follow from the band",
    edits: fields.map((field) => ({ section: "settings", field, value: undefined })),
  };
}

export function widenToMargins(c: Case): Remedy | null {
  const { settings, margins } = c.plan;
  const measured = c.trial.metrics.runOn;
  const heating = roundedUp(Math.max(margins.heating, measured.cold + 0.2, settings.heatingDifferential), c);
  const cooling = roundedUp(Math.max(margins.cooling, measured.heat + 0.2, settings.coolingDifferential), c);
  if (heating <= settings.heatingDifferential && cooling <= settings.coolingDifferential) return null;
  return {
    id: "widen",
    label: "Widen the differentials until neither device answers the other",
    edits: [
      { section: "settings", field: "heatingDifferential", value: heating },
      { section: "settings", field: "coolingDifferential", value: cooling },
    ],
  };
}

export function narrow(c: Case): Remedy | null {
  const { settings, margins } = c.plan;
  const heating = roundedUp(Math.max(settings.heatingDifferential / 2, margins.heating), c);
  const cooling = roundedUp(Math.max(settings.coolingDifferential / 2, margins.cooling), c);
  if (heating >= settings.heatingDifferential && cooling >= settings.coolingDifferential) return null;
  return {
    id: "narrow",
    label: "Halve the differentials, as far as heat and cold stay apart",
    edits: [
      { section: "settings", field: "heatingDifferential", value: heating },
      { section: "settings", field: "coolingDifferential", value: cooling },
    ],
  };
}

/** Moves the setpoint so that the product's swing is centred on the target. */
export function shiftSetpoint(c: Case): Remedy | null {
  const { plan, trial } = c;
  const range = trial.metrics.arrived?.product;
  if (!range) return null;
  const { low, high } = plan.chamber.stages[0]!;
  const shift = (low + high) / 2 - (range.low + range.high) / 2;
  const setpoint = onUnit(celsius(plan.settings.setpoint + shift), plan.chamber.unit);
  if (Math.abs(setpoint - plan.settings.setpoint) < resolutionOf(plan.chamber.unit) / 2) return null;
  return {
    id: "shift",
    label: "Move the setpoint so that the swing lies in the middle of the band",
    edits: [{ section: "settings", field: "setpoint", value: setpoint }],
  };
}

export const offered = (...remedies: (Remedy | null)[]): Remedy[] => remedies.filter((r) => r !== null);
