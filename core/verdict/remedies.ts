import { coolersOf, hasHeater, heaterFor, heaterPower, heatNeeded, heatersOf, isBath } from "../chamber";
import { fitToUnit, outletsOf, parametersOf, resolutionOf, settingsAt, settingTable, type Points } from "../controller";
import type { Edit } from "../model";
import { placeAtProduct, probeMove } from "../probe";
import { celsius, measures, printMeasure } from "../quantity";
import { switchesOf } from "../trial";
import { groupOf, pointsIn, stepOf } from "./group";
import type { Case, Remedy } from "./types";

/** Remedies that several rules offer; each is null where it would change nothing. */

/** The edits that make every unit of a group switch at other readings, in the parameters that it has; null where nothing changes. */
function switchAt(c: Case, points: Points): Edit[] | null {
  const edits = groupOf(c).flatMap(({ control, controller }) => {
    const { unit } = controller;
    const next = fitToUnit(settingsAt(points, unit, control.settings), unit);
    const half = resolutionOf(unit) / 2;
    return parametersOf(unit)
      .filter((field) => Math.abs(next[field] - control.settings[field]) > half)
      .map(
        (field): Edit =>
          ({ section: "settings", field, id: controller.id, stage: c.stage.id, value: next[field] }) as Edit,
      );
  });
  return edits.length ? edits : null;
}

const remedy = (id: string, label: string, edits: Edit[] | null): Remedy | null =>
  edits ? { id, label, edits } : null;

/** Both differentials, the ends at which each goes off left where they are; rounded away from them. */
function withDifferentials(c: Case, heating: number, cooling: number): Points {
  const points = pointsIn(c);
  const tail = stepOf(c) * 0.499;
  const least = Math.max(c.unit.differentialLow, ...groupOf(c).map((u) => u.controller.unit.differentialLow));
  return {
    ...points,
    heatOn: celsius(points.heatOff - Math.max(heating + tail, least)),
    coldOn: celsius(points.coldOff + Math.max(cooling + tail, least)),
  };
}

const differentialsOf = (c: Case) => {
  const points = pointsIn(c);
  return { heating: points.heatOff - points.heatOn, cooling: points.coldOn - points.coldOff };
};

/** The margins of all that hold the same: what is widest binds. */
export function marginsIn(c: Case) {
  const all = [c.control, ...groupOf(c).map((u) => u.control)].map((u) => u.margins);
  return {
    heating: Math.max(...all.map((m) => m.heating)),
    cooling: Math.max(...all.map((m) => m.cooling)),
  };
}

export function strapProbe({ chamber, probe, vessel }: Case): Remedy | null {
  const place = placeAtProduct(vessel);
  if (isBath(chamber.cabinet.kind) || probe.place === place) return null;
  return {
    ...(place === "core"
      ? { id: "into-product", label: "Push the probe into the product" }
      : { id: "strap-probe", label: "Strap the probe to the vessel, under insulation" }),
    edits: probeMove(place, probe.id),
  };
}

/** Puts typed numbers back to what the band asks for. */
export function backToAdvised(c: Case): Remedy | null {
  const edits = groupOf(c).flatMap(({ control: { settings, advised }, controller: { unit, id } }) => {
    const half = resolutionOf(unit) / 2;
    return parametersOf(unit)
      .filter((field) => settingTable[field].decides === "switching" || field === "compressorDelay")
      .filter((field) => Math.abs(settings[field] - advised[field]) > half)
      .map((field) => ({ section: "settings", field, id, stage: c.stage.id, value: undefined }) as Edit);
  });
  return edits.length === 0
    ? null
    : { id: "advised", label: "Go back to the settings that follow from the band", edits };
}

export function widenToMargins(c: Case): Remedy | null {
  const margins = marginsIn(c);
  const measured = c.metrics.runOn;
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
  const margins = marginsIn(c);
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

/** Three times the heating differential: a lag keeps the starts from halving where it is only doubled. */
export function trebleHeat(c: Case): Remedy | null {
  const now = differentialsOf(c);
  return remedy(
    "wider-heat",
    "Make the heating differential three times as wide",
    switchAt(c, withDifferentials(c, now.heating * 3, now.cooling)),
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
  const range = c.metrics.arrived?.product;
  if (!range) return null;
  const { low, high } = c.band;
  const shift = (low + high) / 2 - (range.low + range.high) / 2;
  const points = pointsIn(c);
  const moved = (t: number) => celsius(t + shift);
  return remedy(
    "shift",
    c.unit.kind === "twoLimits"
      ? "Move both limits so that the swing lies in the middle of the band"
      : "Move the setpoint so that the swing lies in the middle of the band",
    switchAt(c, {
      heatOn: moved(points.heatOn),
      heatOff: moved(points.heatOff),
      coldOn: moved(points.coldOn),
      coldOff: moved(points.coldOff),
    }),
  );
}

export const watts = (w: number): string => printMeasure(Math.round(w), measures.power, "metric");

/** The usual size of all heaters together for a case, W, and what holding takes. */
export function heatOf(c: Case): { need: number; usual: number; power: number; idle: boolean } {
  const need = heatNeeded(c.chamber, c.band.target, c.stage, c.metrics.judged);
  return {
    need,
    usual: heaterFor(need, c.chamber.cabinet.kind),
    power: heaterPower(c.chamber),
    // There is one, and no unit that switches it: its watts do not count.
    idle: hasHeater(c.chamber) && !switchesOf(c.chamber).heat,
  };
}

/** A unit of two outlets, where a heater, or a cooler, hangs on one that does not switch it. */
export function switchToo({ chamber }: Pick<Case, "chamber">, side: "heat" | "cold"): Remedy | null {
  const there = side === "heat" ? heatersOf(chamber) : coolersOf(chamber);
  const on = chamber.controllers.find((u) => there.some((d) => u[side].includes(d.id)));
  if (!on || outletsOf(on.unit)[side]) return null;
  return {
    id: `switch-${side}`,
    label: `Use a unit of two outlets, which switches the ${side === "heat" ? "heater" : "cooling"} too`,
    edits: [{ section: "unit", field: "kind", id: on.id, value: "twoDifferentials" }],
  };
}

/** Another heater in the place of the strongest one, so that all together have a power. */
export function heaterOfPower({ chamber }: Pick<Case, "chamber">, power: number, id = "heater"): Remedy | null {
  const strongest = [...chamber.heaters].sort((a, b) => b.power - a.power)[0];
  if (!strongest) return null;
  const others = heatersOf(chamber)
    .filter((h) => h.id !== strongest.id)
    .reduce((sum, h) => sum + h.power, 0);
  const value = power - others;
  if (value <= 0) return null;
  return {
    id,
    label: `Use a ${watts(value)} heater`,
    edits: [{ section: "heater", field: "power", id: strongest.id, value }],
  };
}

/** Fills the vessel at the target: nothing has to be brought there. */
export const startNearer = ({ vessel, band }: Case, at: (t: number) => string): Remedy => ({
  id: "start-nearer",
  label: `Fill it at ${at(band.target)}`,
  edits: [{ section: "vessel", field: "startTemperature", id: vessel.id, value: band.target }],
});

export const offered = (...remedies: (Remedy | null)[]): Remedy[] => remedies.filter((r) => r !== null);
