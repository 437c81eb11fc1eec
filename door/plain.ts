import type { RawRecord } from "@/core/model";

const isObject = (value: unknown): value is RawRecord =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** A value as it is stored: with its origin. */
const isStored = (value: unknown): boolean =>
  isObject(value) && Object.keys(value).length === 2 && "value" in value && "origin" in value;

/** A section with an origin at each value; what is no section stays as it is, for the schema to say. */
const section = (of: unknown): unknown =>
  isObject(of)
    ? Object.fromEntries(
        Object.entries(of).map(([name, value]) => [name, isStored(value) ? value : { value, origin: "typed" }]),
      )
    : of;

/** Parts of a chamber that are one section; the last four as they were named in version 2. */
const single = [
  "room",
  "cabinet",
  "thermal",
  "build",
  "wiring",
  "moisture",
  "program",
  "heater",
  "cooler",
  "unit",
  "settings",
];
/** Lists, and which parts of their entries are sections. */
const lists: Record<string, readonly string[]> = {
  devices: ["heater", "cooler", "fan", "light"],
  controllers: ["unit"],
  vessels: ["vessel", "product", "band"],
  probes: ["probe"],
  stages: ["stage"],
};

const parts = (of: RawRecord, names: readonly string[]): RawRecord =>
  Object.fromEntries(Object.entries(of).map(([name, value]) => [name, names.includes(name) ? section(value) : value]));

function entry(of: unknown, names: readonly string[]): unknown {
  if (!isObject(of)) return of;
  const done = parts(of, names);
  // Settings stand by controller.
  return isObject(done.settings)
    ? {
        ...done,
        settings: Object.fromEntries(Object.entries(done.settings).map(([id, own]) => [id, section(own)])),
      }
    : done;
}

/**
 * A body whose chamber says values plainly, `{"room": {"low": 4}}`, as it is stored, each value with its origin. Values
 * that have one keep it.
 */
export function withOrigins(body: unknown): unknown {
  if (!isObject(body) || !isObject(body.chamber)) return body;
  const chamber = parts(body.chamber, single);
  for (const [name, names] of Object.entries(lists)) {
    const list = chamber[name];
    if (Array.isArray(list)) chamber[name] = list.map((e) => entry(e, names));
  }
  return { ...body, chamber };
}
