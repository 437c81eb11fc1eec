import * as z from "zod/mini";
import { placeProblem, problemOf, unitShape, type Settings, type Unit, type UnitKind } from "../model";
import { printDuration, read, refuse, type Read, type Scale } from "../quantity";
import { printSetting } from "./findings";
import { labelOf, outletsOf, parametersOf, plainLabel, unitKindTable, type Plugged } from "./kinds";
import { genericUnit } from "./unit";

export const SHEET_FORMAT = "gentle-crock-unit-sheet";
const SHEET_VERSION = 3;

/** A unit's sheet as a file of its own: temperatures in °C, differences in K, times in s. */
export const sheetFile = z.strictObject({
  format: z.literal(SHEET_FORMAT),
  version: z.literal(SHEET_VERSION),
  unit: z.strictObject(unitShape),
});

/** Sheets of version 1 knew two opposed units as one kind: what is left of such a one is the unit for heat. */
function liftSheet(raw: { version?: unknown; unit?: unknown }): unknown {
  if (typeof raw.unit !== "object" || raw.unit === null) return raw;
  // Those of version 2 did not say what the display shows.
  if (raw.version === 2) return { ...raw, version: SHEET_VERSION, unit: { ...raw.unit, shows: {} } };
  if (raw.version !== 1) return raw;
  const { ownProbe: _own, labels, ...unit } = raw.unit as Record<string, unknown>;
  const { coldSetpoint: _cold, ...kept } = (labels ?? {}) as Record<string, unknown>;
  const kind = unit.kind === "pair" ? { kind: "cutOut", outlet: "heat" } : {};
  return { ...raw, version: SHEET_VERSION, unit: { ...unit, ...kind, labels: kept, shows: {} } };
}

export const writeSheet = (unit: Unit): string =>
  JSON.stringify({ format: SHEET_FORMAT, version: SHEET_VERSION, unit }, null, 2);

/** Reads a sheet's file; says what is wrong with it and where. */
export function readSheet(text: string): Read<Unit> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return refuse("This file is damaged: it is not complete JSON. Export the sheet once more.");
  }
  if ((raw as { format?: unknown } | null)?.format !== SHEET_FORMAT)
    return refuse("This is no unit sheet. Choose a file that was made with \u201cExport this sheet\u201d.");
  const parsed = sheetFile.safeParse(liftSheet(raw as { version?: unknown }));
  if (parsed.success) return read(parsed.data.unit);
  return refuse(placeProblem(problemOf(parsed.error.issues[0]!), "the sheet"));
}

/** A plain sheet of each kind in a scale, for those who have not filled in their own. */
export const genericSheets = (scale: Scale): { kind: UnitKind; label: string; unit: Unit }[] =>
  (Object.keys(unitKindTable) as UnitKind[]).map((kind) => ({
    kind,
    label: unitKindTable[kind].label,
    unit: genericUnit(scale, kind),
  }));

/** One thing to do at the unit, in its own order and with its own labels. */
export interface KeyingStep {
  text: string;
  /** The number to see at the end of it; empty for steps without one. */
  value: string;
}

/** How the settings get into the unit, step by step, with the labels of its own sheet. */
export function keyingSteps(settings: Settings, unit: Unit, plugged: Plugged, scale: Scale = unit.scale): KeyingStep[] {
  const steps: KeyingStep[] = [];
  steps.push({ text: unit.enter ? `Enter: ${unit.enter}` : "Enter the unit\u2019s settings.", value: "" });
  const { cold } = outletsOf(unit);
  for (const name of parametersOf(unit)) {
    if (name === "compressorDelay" && !(cold && plugged.cooler)) continue;
    const own = unit.labels[name]?.label;
    const position = unit.labels[name]?.position;
    const plain = plainLabel(name, unit);
    steps.push({
      text: `${labelOf(name, unit)}${position ? ` (number ${position})` : ""}${own ? `, which is the ${plain.toLowerCase()}` : ""}`,
      value: printSetting(settings, name, unit, scale),
    });
  }
  const pause =
    unit.pause === "unknown"
      ? ""
      : ` A pause of ${printDuration(unit.pauseAfter)} ${unit.pause === "saves" ? "saves what you have changed." : "drops what you have changed."}`;
  steps.push({ text: `${unit.leave ? `Leave: ${unit.leave}` : "Save and leave the settings."}${pause}`, value: "" });
  steps.push({
    text: "Watch it switch: warm the probe in your hand, let it cool, and see each outlet come on and go off.",
    value: "",
  });
  return steps;
}
