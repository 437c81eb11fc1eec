import { lifted, recordKinds, type RawRecord } from "@/core/model";

const isObject = (value: unknown): value is RawRecord =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Names that a chamber had before its devices and controllers were lists. */
const oldNames = ["heater", "cooler", "unit", "settings"];
const lists = ["vessels", "probes", "stages"];

/** Whether a chamber is written as it was before every entry of a list had a name. */
function isOlder(chamber: RawRecord): boolean {
  const nameless = (name: string) => {
    const list = chamber[name];
    return Array.isArray(list) && list.length > 0 && list.every((e) => isObject(e) && !("id" in e));
  };
  return oldNames.some((name) => name in chamber) || lists.some(nameless);
}

const bare = {
  kind: "chamber",
  schemaVersion: 2,
  thermal: {},
  heater: {},
  cooler: {},
  unit: {},
  settings: {},
  vessels: [{ vessel: {}, product: {} }],
  probes: [{ probe: {} }],
  stages: [{ stage: {} }],
  happenings: [],
};

/** A body whose chamber is in the form of version 2, in the present one: scripts that were written then still run. */
export function fromOlder(body: unknown): unknown {
  if (!isObject(body) || !isObject(body.chamber) || !isOlder(body.chamber)) return body;
  try {
    const {
      kind: _kind,
      schemaVersion: _version,
      // A script's readings stand in its body.
      roomReadings: _readings,
      ...chamber
    } = lifted({ ...bare, ...body.chamber }, recordKinds.chamber, 2);
    return { ...body, chamber };
  } catch {
    return body; // the schema says what is wrong with it
  }
}
