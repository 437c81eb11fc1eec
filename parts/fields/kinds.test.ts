import { celsius, measures } from "@/core/quantity";
import { clockKind, differenceKind, gravityKind, measureKind, minutesKind, temperatureKind, type FieldKind } from ".";

const reads = (kind: FieldKind, text: string) => {
  const read = kind.read(text);
  if (!read.ok) throw new Error(read.problem);
  return read.value;
};

/** Every kind: what it shows, what it reads, one step up and one step down. */
const cases: [name: string, kind: FieldKind, value: number, shown: string, up: number, down: number][] = [
  ["°C in tenths", temperatureKind("C"), celsius(20), "20.0", 20.1, 19.9],
  ["°C in halves", temperatureKind("C", 0.1, 0.5), celsius(20), "20.0", 20.5, 19.5],
  ["°F in whole degrees", temperatureKind("F", 1), celsius(20), "68", (69 - 32) / 1.8, (67 - 32) / 1.8],
  ["a difference in °C", differenceKind("C"), 0.5, "0.5", 0.6, 0.4],
  ["a difference in °F", differenceKind("F"), 1, "1.8", 1.9 / 1.8, 1.7 / 1.8],
  ["an offset", differenceKind("C", 0.1, true), 0.5, "+0.5", 0.6, 0.4],
  ["litres", measureKind(measures.volume, "metric"), 0.023, "23", 0.0235, 0.0225],
  [
    "gallons",
    measureKind(measures.volume, "customary"),
    5 * 3.785411784e-3,
    "5",
    5.25 * 3.785411784e-3,
    4.75 * 3.785411784e-3,
  ],
  ["centimetres", measureKind(measures.length, "metric"), 1.7, "170", 1.71, 1.69],
  ["inches", measureKind(measures.length, "customary"), 60 * 0.0254, "60", 60.5 * 0.0254, 59.5 * 0.0254],
  ["watts", measureKind(measures.power, "metric"), 60, "60", 61, 59],
  ["minutes", minutesKind, 300, "5", 360, 240],
  ["gravity", gravityKind, 1.048, "1.048", 1.049, 1.047],
  ["a time of day", clockKind, 15, "15:00", 16, 14],
];

describe.each(cases)("%s", (_, kind, value, shown, up, down) => {
  it("shows and reads back the same", () => {
    expect(kind.print(value)).toBe(shown);
    expect(reads(kind, shown)).toBeCloseTo(value, 9);
    expect(kind.say(value)).toMatch(/\d/);
  });
  it("steps up and down", () => {
    expect(kind.step(value, 1)).toBeCloseTo(up, 9);
    expect(kind.step(value, -1)).toBeCloseTo(down, 9);
  });
});

describe("what people type", () => {
  it.each([
    [gravityKind, "1048", 1.048],
    [gravityKind, "1,048", 1.048],
    [measureKind(measures.volume, "metric"), "5 gal", 0.018927],
    [measureKind(measures.length, "metric"), "1.7 m", 1.7],
    [measureKind(measures.power, "metric"), "1.2 kW", 1200],
    [minutesKind, "1h15", 4500],
    [clockKind, "3 pm", 15],
    [temperatureKind("C"), "75F", 23.8889],
    [differenceKind("F"), "1 C", 1],
  ] as const)("%# is understood", (kind, text, value) => expect(reads(kind, text)).toBeCloseTo(value, 4));

  it("a clock and a delay do not run below nothing", () => {
    expect(clockKind.step(0, -1)).toBe(23);
    expect(minutesKind.step(0, -1)).toBe(0);
  });
});
