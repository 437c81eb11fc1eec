import type { Call } from "./schemas";

const typed = <T>(value: T) => ({ value, origin: "typed" });

export interface Example {
  call: Call;
  title: string;
  body: object;
  /** What to look at in the answer, as a path. */
  look: string;
}

/** Worked calls: shown in the Reference room, and run by a test. */
export const examples: Example[] = [
  {
    call: "settings",
    title: "Settings for an ale at 18 to 20 °C in a garage",
    body: {
      chamber: {
        room: { low: 4, high: 16 },
        stages: [{ id: "s1", stage: { low: 18, high: 20 }, settings: {} }],
      },
    },
    look: "settings.setpoint",
  },
  {
    call: "read-back",
    title: "What a unit does with 21 °C, 0.5 and no delay",
    body: { chamber: {}, settings: { setpoint: 21, heatingDifferential: 0.5, compressorDelay: 0 } },
    look: "questions.0.text",
  },
  {
    call: "trial",
    title: "Three days of a foam box at 31 °C",
    body: {
      chamber: {
        cabinet: { kind: typed("foam") },
        controllers: [{ id: "u1", unit: { kind: typed("heatOnly") }, probes: ["p1"], heat: ["h1"], cold: ["c1"] }],
        vessels: [{ id: "v1", vessel: {}, product: { kind: typed("hold") }, band: {} }],
        stages: [{ id: "s1", stage: { low: typed(30), high: typed(32) }, settings: {} }],
      },
      days: 3,
      bins: 72,
    },
    look: "metrics.heatDutyLastDay",
  },
  {
    call: "verdicts",
    title: "What is wrong with a probe in the air",
    body: { chamber: { probes: [{ id: "p1", in: "v1", probe: { place: typed("air") } }] }, days: 5 },
    look: "verdicts.0.title",
  },
  {
    call: "recommendation",
    title: "The best numbers for a chest freezer",
    body: { chamber: { cabinet: { kind: typed("chest") } } },
    look: "explanation.0",
  },
];

/** The value at a path like "verdicts.0.title". */
export const lookAt = (value: unknown, path: string): unknown =>
  path.split(".").reduce<unknown>((at, key) => (at as Record<string, unknown> | null)?.[key], value);
