import {
  addController,
  addDevice,
  addProbe,
  addStage,
  addVessel,
  plugDevice,
  readProbe,
  seatProbe,
  standDevice,
} from "../chamber";
import { type Change, applyEdits, chamberRecord, type ChamberRecord, type Edit, type StageEnd } from "../model";
import { celsius, kelvins, type Scale } from "../quantity";
import { heaterOf, heldAt, recordWith, steadyRoom } from "./build";

const HOUR = 3600;
export const set = (section: string, field: string, value: unknown, id?: string, stage?: string): Edit =>
  ({ section, field, value, ...(id ? { id } : {}), ...(stage ? { stage } : {}) }) as Edit;

/** A record after some changes and edits, checked as anything that comes in is. */
export const changed = (record: ChamberRecord, ...steps: (Change | Edit)[]): ChamberRecord =>
  chamberRecord.parse(
    steps.reduce((r, step) => (typeof step === "function" ? step(r) : applyEdits(r, [step])), record),
  );

/** One stage of a program for tests: its band, °C, and its ends. */
export interface Leg {
  band: readonly [number, number];
  ends?: StageEnd[];
  /** Further fields of the stage. */
  more?: Record<string, unknown>;
}
export const after = (seconds: number): StageEnd => ({ kind: "after", seconds });

/** A record with these stages, s1, s2 and so on, in the place of its own. */
export function staged(record: ChamberRecord, ...legs: Leg[]): ChamberRecord {
  let r = record;
  for (let i = 1; i < legs.length; i++) r = addStage(r.stages.at(-1)!.id)(r);
  return chamberRecord.parse(
    applyEdits(
      r,
      legs.flatMap(({ band: [low, high], ends = [], more = {} }, i) => {
        const { id } = r.stages[i]!;
        return [
          set("stage", "low", celsius(low), id),
          set("stage", "high", celsius(high), id),
          set("stage", "ends", ends, id),
          ...Object.entries(more).map(([field, value]) => set("stage", field, value, id)),
        ];
      }),
    ),
  );
}

const daily = (low: number, high: number): Edit[] => [
  set("room", "low", celsius(low)),
  set("room", "high", celsius(high)),
];
const steady = (...edits: Edit[]): ChamberRecord =>
  recordWith(...steadyRoom(12), ...heldAt(20), heaterOf(80), ...edits);

/** A unit that watches the air with a probe of its own, beside the one that holds the product. */
export const watcherBeside = (): ChamberRecord =>
  changed(
    steady(),
    addProbe,
    set("probe", "place", "air", "p2"),
    addController,
    set("unit", "name", "The watcher", "u2"),
    set("unit", "alarms", "absolute", "u2"),
    set("settings", "lowAlarm", celsius(15), "u2", "s1"),
    set("settings", "highAlarm", celsius(30), "u2", "s1"),
  );

/** Two vessels, each with its heater, its probe and its unit, the second one in the other scale; it takes both to hold. */
export const twoUnits = (scale: Scale = "F"): ChamberRecord =>
  changed(
    steady(...daily(2, 16), heaterOf(24), set("cooler", "kind", "none"), set("unit", "resolution", 0.1)),
    // One over the other: side by side two such buckets do not stand in it.
    set("build", "shelfAt", 0.6),
    addVessel,
    addDevice("heater"),
    set("heater", "power", 24, "h2"),
    standDevice("h2", "v2"),
    addProbe,
    seatProbe("p2", "v2"),
    addController,
    readProbe("u2", "p2"),
    set("unit", "kind", "cutOut", "u2"),
    set("unit", "outlet", "heat", "u2"),
    set("unit", "scale", scale, "u2"),
    set("unit", "resolution", 1, "u2"),
    plugDevice("h2", { controller: "u2", outlet: "heat" }),
    set("settings", "heatingDifferential", kelvins(0.5), "u1", "s1"),
    set("settings", "heatingDifferential", kelvins(1 / 1.8), "u2", "s1"),
  );

/** Two vessels in one box, the second with a band of its own, which it can share with the first. */
export const twoBands = (low = 17.5, high = 22.5): ChamberRecord =>
  changed(
    steady(),
    // One over the other: side by side two such buckets do not stand in it.
    set("build", "shelfAt", 0.6),
    addVessel,
    set("vessel", "volume", 0.01, "v2"),
    set("band", "low", celsius(low), "v2"),
    set("band", "high", celsius(high), "v2"),
  );

/** Eight stages of six hours, each half a degree above the one before. */
export const eightStages = (hours = 6): ChamberRecord =>
  staged(
    steady(),
    ...Array.from({ length: 8 }, (_, i): Leg => ({
      band: [18 + i / 2, 22 + i / 2],
      ends: i < 7 ? [after(hours * HOUR)] : [],
    })),
  );

/** What a list has to be true for: one of each. */
export const configurations = {
  "a watcher beside a controller": watcherBeside,
  "two independent units on two devices": () => twoUnits(),
  "two vessels with two bands": () => twoBands(),
  "a program of eight stages": () => eightStages(),
} as const;
