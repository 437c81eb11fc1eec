import fc from "fast-check";

/** What somebody might put in the place of a value, out of mischief or by a damaged disk. */
const hostile: readonly unknown[] = [
  null,
  true,
  false,
  0,
  -0,
  -1,
  0.5,
  1e-300,
  1e15,
  1e308,
  -1e308,
  Number.MAX_SAFE_INTEGER,
  "",
  " ",
  "constructor",
  "__proto__",
  "preferences",
  "a&at=box",
  "../..",
  "<b>",
  "0",
  "1e999",
  "2026-13-45T99:99",
  [],
  {},
  [[]],
  [null],
  { value: null, origin: "typed" },
  { value: 1e308, origin: "typed" },
  { value: -1e308, origin: "typed" },
  { value: 0, origin: "typed" },
];

/** One change of a value somewhere in plain data. */
interface Blow {
  /** Where: how far along all places, 0..1. */
  where: number;
  how: "put" | "drop" | "twice" | "scale" | "many";
  what: number;
}

const blow: fc.Arbitrary<Blow> = fc.record({
  // A double would be drawn by its bits, and nearly always lie at the beginning.
  where: fc.noBias(fc.nat(999_999)).map((n) => n / 1e6),
  how: fc.constantFrom("put", "put", "drop", "twice", "scale", "scale", "scale", "scale", "many"),
  what: fc.noBias(fc.nat(1e6)),
});
export const blows: fc.Arbitrary<Blow[]> = fc.array(blow, { minLength: 1, maxLength: 3 });

type Place = { of: Record<string, unknown> | unknown[]; key: string | number };
function placesOf(data: unknown, found: Place[] = []): Place[] {
  if (typeof data !== "object" || data === null) return found;
  const keys = Array.isArray(data) ? data.keys() : Object.keys(data);
  for (const key of keys) {
    found.push({ of: data as Place["of"], key });
    placesOf((data as Record<string | number, unknown>)[key], found);
  }
  return found;
}

/** Plain data after some blows; what is given stays as it was. */
export function struck<T>(data: T, all: readonly Blow[]): unknown {
  const copy = JSON.parse(JSON.stringify(data)) as unknown;
  for (const { where, how, what } of all) {
    const isNumber = ({ of, key }: Place) => typeof (of as Record<string | number, unknown>)[key] === "number";
    // Most values are words that have to be what they are; numbers are what comes through and does harm.
    const places = how === "scale" ? placesOf(copy).filter(isNumber) : placesOf(copy);
    const place = places[Math.floor(where * places.length)];
    if (!place) continue;
    const of = place.of as Record<string | number, unknown>;
    const old = of[place.key];
    if (how === "drop") {
      if (Array.isArray(place.of)) place.of.splice(Number(place.key), 1);
      else Reflect.deleteProperty(of, place.key);
    } else if (how === "twice") {
      if (Array.isArray(place.of)) place.of.push(old);
      else of[`${place.key}2`] = old;
    } else if (how === "many" && Array.isArray(old)) {
      of[place.key] = Array.from({ length: 50 + (what % 200) }, () => old[0] ?? what);
    } else if (how === "scale" && typeof old === "number") {
      of[place.key] = old * [-1, 0, 1e-6, 0.1, 0.5, 1.5, 3, 10, 1e3, 1e9][what % 10]!;
    } else of[place.key] = hostile[what % hostile.length];
  }
  return copy;
}

/** Paths of all numbers in plain data, typed arrays included, that are none. */
export function notFinite(data: unknown, path = ""): string[] {
  if (typeof data === "number") return Number.isFinite(data) ? [] : [path];
  if (typeof data !== "object" || data === null) return [];
  return Object.entries(data).flatMap(([key, value]) => notFinite(value, `${path}.${key}`));
}
