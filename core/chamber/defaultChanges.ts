import {
  applyEdits,
  DEFAULTS_VERSION,
  storedValue,
  type Address,
  type Change,
  type Chamber,
  type ChamberRecord,
  type Edit,
  type SectionName,
} from "../model";
import { filmBefore } from "./filmsBefore";
import { wallLossBefore } from "./lossBefore";
import { celsius, measures, printMeasure, printTemperature, type Scale } from "../quantity";

/** A default that has changed with a version of the defaults. */
export interface DefaultChange {
  /** The first version that has the new value. */
  since: number;
  section: Extract<SectionName, "heater" | "cooler" | "unit" | "thermal" | "probe" | "stage" | "vessel" | "cabinet">;
  field: string;
  /** What it is called, for people. */
  label: string;
  /** Why it was changed. */
  why: string;
  /** The old value hid a danger: the new one is in force at once, and only said. */
  danger: boolean;
  /** What stood where now `value` stands; the same where it has not changed in this chamber. */
  was: (value: number, chamber: Chamber) => number;
  print: (value: number, scale: Scale) => string;
}

/** Every default that has changed since the first release; `DEFAULTS_VERSION` is the highest `since` of them. */
export const defaultLog: readonly DefaultChange[] = [
  {
    since: 2,
    section: "heater",
    field: "power",
    label: "Power of the heater",
    why: "Smaller heaters are sold too, and a smaller one runs on less past its switching.",
    danger: false,
    // There was none below 40 W.
    was: (power) => Math.max(power, 40),
    print: (power) => printMeasure(power, measures.power, "metric"),
  },
  {
    since: 2,
    section: "unit",
    field: "setpointHigh",
    label: "Highest setpoint of the unit",
    why: "Smokers and kettles are held warmer than fridges.",
    danger: false,
    was: (highest) => (highest === 150 ? celsius(110) : highest),
    print: (t, scale) => printTemperature(celsius(t), scale),
  },
  ...(
    [
      ["airToLining", "Between air and inner lining", "W/K"],
      ["filmToAir", "From air to the product", "W/m²K"],
      ["filmToLining", "From inner lining to the product", "W/m²K"],
    ] as const
  ).map(([field, label, unit]): DefaultChange => ({
    since: 3,
    section: "thermal",
    field,
    label,
    why: "What surfaces radiate to each other was lumped into the air, which does not radiate. Cold and heat stay longer in the air than was said, so that differentials that looked safe can chase.",
    danger: true,
    was: filmBefore(field),
    print: (value) => `${value.toPrecision(3)}\u00a0${unit}`,
  })),
  {
    since: 4,
    section: "thermal",
    field: "liningToRoom",
    label: "Loss through the wall",
    why: "It follows from the wall\u2019s layers, edges and age now. A sound chest loses half of what was said; hours of a power cut are longer.",
    danger: false,
    was: wallLossBefore,
    print: (value) => `${value.toPrecision(3)}\u00a0W/K`,
  },
  {
    since: 4,
    section: "thermal",
    field: "filmGrows",
    label: "Films that grow with the difference",
    why: "Still air moves more where it is far from the walls: what is put in warm is cold sooner.",
    danger: false,
    was: () => 0,
    print: (value) => (value > 0 ? "with its fourth root" : "not at all"),
  },
  {
    since: 4,
    section: "cooler",
    field: "skin",
    label: "Heat of the condenser in the wall",
    why: "A chest\u2019s condenser warms its wall, but only while it runs: it was part of the wall\u2019s loss before.",
    danger: false,
    was: () => 0,
    print: (value) => `${Math.round(value * 100)}\u00a0% of the cold`,
  },
];

/** One default of one chamber that has changed since it was made. */
export interface ChangedDefault extends DefaultChange {
  at: Address;
  then: number;
  now: number;
}

/** The entries of a chamber that have a section, each with its name; null for what is there once. */
function entriesOf(chamber: Chamber, section: DefaultChange["section"]): { id?: string; values: object }[] {
  switch (section) {
    case "heater":
      return chamber.heaters.map((h) => ({ id: h.id, values: h }));
    case "cooler":
      return chamber.coolers.map((c) => ({ id: c.id, values: c }));
    case "unit":
      return chamber.controllers.map((c) => ({ id: c.id, values: c.unit }));
    case "probe":
      return chamber.probes.map((p) => ({ id: p.id, values: p }));
    case "stage":
      return chamber.stages.map((s) => ({ id: s.id, values: s }));
    case "vessel":
      return chamber.vessels.map((v) => ({ id: v.id, values: v }));
    case "thermal":
    case "cabinet":
      return [{ values: chamber[section] }];
  }
}

/**
 * Which defaults of a chamber have changed since it was made; empty where it was filled with the present ones.
 * @param filled with the present defaults
 * @param log for tests; otherwise the one above
 */
export function changedDefaults(
  record: ChamberRecord,
  filled: Chamber,
  log: readonly DefaultChange[] = defaultLog,
): ChangedDefault[] {
  const found: ChangedDefault[] = [];
  for (const change of log) {
    if (change.since <= record.defaultsVersion) continue;
    for (const { id, values } of entriesOf(filled, change.section)) {
      const at = { section: change.section, field: change.field, id } as Address;
      if (storedValue(record, at)) continue;
      const now = (values as Record<string, unknown>)[change.field];
      if (typeof now !== "number") continue;
      const then = change.was(now, filled);
      if (then !== now) found.push({ ...change, at, then, now });
    }
  }
  return found;
}

const pinned = (changes: readonly ChangedDefault[]): Edit[] =>
  changes.map(({ at, then }) => ({ ...at, value: then }) as Edit);

/** A record with the defaults that it was made with said in it; itself where none of them has changed. */
export function asMade(
  record: ChamberRecord,
  fill: (record: ChamberRecord) => Chamber,
  log?: readonly DefaultChange[],
): ChamberRecord {
  if (record.defaultsVersion >= DEFAULTS_VERSION && !log) return record;
  const kept = changedDefaults(record, fill(record), log).filter((c) => !c.danger);
  return kept.length ? applyEdits(record, pinned(kept)) : record;
}

/** Takes the present defaults: one step. */
export const takeDefaults: Change = (record) => ({ ...record, defaultsVersion: DEFAULTS_VERSION });

/** Keeps what the chamber was made with as the person's own values, and asks no more. */
export const keepDefaults =
  (changes: readonly ChangedDefault[]): Change =>
  (record) =>
    takeDefaults(applyEdits(record, pinned(changes.filter((c) => !c.danger))));
