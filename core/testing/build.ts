import { changedDefaults, describe as describeChamber, filled, newChamber, whichOf } from "../chamber";
import {
  applyEdits,
  type Chamber,
  type ChamberRecord,
  type Edit,
  type Happening,
  type ProbePlace,
  type Settings,
} from "../model";
import { celsius, kelvins } from "../quantity";
import { planOf, runTrial, trialOf, trialWith, type Plan, type Trial, type TrialInput } from "../trial";
import { judge, type Verdict } from "../verdict";

/** A chamber record for tests, with edits on top of the defaults. */
export const recordWith = (...edits: Edit[]): ChamberRecord =>
  applyEdits(newChamber("test", "Test chamber", "2026-01-01T00:00:00.000Z"), edits);

export const chamberWith = (...edits: Edit[]): Chamber => describeChamber(recordWith(...edits));

/**
 * A record with the films and the losses that the design's reference had before its corrections, radiation lumped into
 * the air: its ranges belong to them.
 */
export const lumped = (record: ChamberRecord): ChamberRecord =>
  applyEdits(
    record,
    changedDefaults({ ...record, defaultsVersion: 2 }, filled(record))
      .filter((c) => c.at.section === "thermal" || c.at.section === "cooler")
      .map(({ at, then }) => ({ ...at, value: then }) as Edit),
  );

export const steadyRoom = (t: number): Edit[] => [
  { section: "room", field: "low", value: celsius(t) },
  { section: "room", field: "high", value: celsius(t) },
];

/** Nothing that ferments, at its start temperature, in a band of 18 to 22 °C. */
export const heldAt = (start: number): Edit[] => [
  { section: "product", field: "kind", value: "hold" },
  { section: "vessel", field: "startTemperature", value: celsius(start) },
  { section: "stage", field: "low", value: celsius(18) },
  { section: "stage", field: "high", value: celsius(22) },
];

export const settingsOf = (setpoint: number, heating: number, cooling: number, delay = 300): Settings => ({
  setpoint: celsius(setpoint),
  heatingDifferential: kelvins(heating),
  coolingDifferential: kelvins(cooling),
  lowLimit: celsius(setpoint - heating),
  highLimit: celsius(setpoint),
  compressorDelay: delay,
  lowAlarm: celsius(-40),
  highAlarm: celsius(110),
  lowDeviation: kelvins(0),
  highDeviation: kelvins(0),
  offset: kelvins(0),
});

export const heaterOf = (power: number): Edit => ({ section: "heater", field: "power", value: power });
export const probeAt = (place: ProbePlace): Edit => ({
  section: "probe",
  field: "place",
  value: place,
});

/** A record that meets happenings, each given without its id; they happen to the first of its kind. */
export function meeting(
  record: ChamberRecord,
  ...happenings: DistributiveOmit<Happening, "id" | "which">[]
): ChamberRecord {
  const chamber = describeChamber(record);
  return {
    ...record,
    happenings: happenings.map((h, i) => {
      const which = whichOf(h.kind, chamber)[0];
      return { ...h, id: `h${i}`, ...(which === undefined ? {} : { which }) } as Happening;
    }),
  };
}
type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

/** A trial of the same settings for every controller, in one stage. */
export const plainTrial = (chamber: Chamber, settings: Settings, days: number, dt?: number): TrialInput =>
  trialWith(chamber, [chamber.controllers.map(() => settings)], days, dt);

/** A record's chamber, and what is keyed into its first controller in its first stage. */
export function planned(record: ChamberRecord): { plan: Plan; chamber: Chamber; settings: Settings } {
  const plan = planOf(record);
  return { plan, chamber: plan.chamber, settings: keyedIn(plan) };
}

/** What is keyed into a controller of a plan in a stage; the first of both where nothing is said. */
export const keyedIn = ({ stages }: Plan, stage = 0, controller = 0): Settings =>
  stages[stage]!.controls[controller]!.settings;

/** A record's plan and its trial. */
export function tried(record: ChamberRecord, days: number, dt?: number): { plan: Plan; trial: Trial } {
  const plan = planOf(record);
  return { plan, trial: runTrial(trialOf(plan, days, dt)) };
}

export function verdictsOn(record: ChamberRecord, days: number, dt?: number): Verdict[] {
  const { plan, trial } = tried(record, days, dt);
  return judge(plan, trial, "C");
}
