import { describe as describeChamber, newChamber } from "../chamber";
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

/** A chamber record for tests, with edits on top of the defaults. */
export const recordWith = (...edits: Edit[]): ChamberRecord =>
  applyEdits(newChamber("test", "Test chamber", "2026-01-01T00:00:00.000Z"), edits);

export const chamberWith = (...edits: Edit[]): Chamber => describeChamber(recordWith(...edits));

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
  coldSetpoint: celsius(setpoint),
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

/** A record that meets happenings, each given without its id. */
export const meeting = (record: ChamberRecord, ...happenings: DistributiveOmit<Happening, "id">[]): ChamberRecord => ({
  ...record,
  happenings: happenings.map((h, i) => ({ ...h, id: `h${i}` }) as Happening),
});
type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
