import fc from "fast-check";
import { eigs, type MathNumericType } from "mathjs";
import { describe as describeChamber, jobEdits, jobs, tryChange } from "../../chamber";
import {
  applyEdits,
  cabinetKinds,
  probePlaces,
  unitKinds,
  type ChamberRecord,
  type Edit,
  type Happening,
} from "../../model";
import { celsius, chance, kelvins } from "../../quantity";
import { recordWith } from "../../testing/build";
import { configurations, set } from "../../testing/configurations";
import { apart, outcome } from "../../testing/sameTrial";
import { startRun } from "../run";
import { advance } from "../stepper";
import { planOf } from "../plan";
import { trialOf, type TrialInput } from "../input";
import { aroundOf } from "./around";
import { eigenOf } from "./eigen";

const HOUR = 3600;
const DAY = 24 * HOUR;

describe("eigenvalues by rotations", () => {
  // Against the general solver of mathjs.
  it.each([2, 3, 5, 8, 14])("of twenty random symmetric matrices of size %d", (n) => {
    const random = chance(n);
    for (let k = 0; k < 20; k++) {
      const rows = Array.from({ length: n }, () => Array.from({ length: n }, () => 0));
      for (let i = 0; i < n; i++) for (let j = 0; j <= i; j++) rows[i]![j] = rows[j]![i] = random() - 0.5;
      const { values, vectors } = eigenOf(Float64Array.from(rows.flat()), n);
      const expected = (eigs(rows).values as MathNumericType[]).map(Number).sort((a, b) => a - b);
      Array.from(values)
        .sort((a, b) => a - b)
        .forEach((value, i) => expect(value).toBeCloseTo(expected[i]!, 9));
      // Put together again they are the matrix.
      for (let i = 0; i < n; i++)
        for (let j = 0; j < n; j++) {
          let sum = 0;
          for (let q = 0; q < n; q++) sum += vectors[i * n + q]! * values[q]! * vectors[j * n + q]!;
          expect(sum).toBeCloseTo(rows[i]![j]!, 12);
        }
    }
  });
});

describe("the room as lines and a wave", () => {
  const perDay = DAY / 300;
  it("a day that repeats is one level line beside its wave", () => {
    const rooms = Float64Array.from(
      { length: perDay },
      (_, i) => 15 + 4 * Math.cos(1 + ((i + 0.5) * 2 * Math.PI) / perDay),
    );
    const around = aroundOf(rooms, 30 * perDay, 300, 4, 1)!;
    expect(around.lines).toHaveLength(1);
    expect(around.lines[0]!.value).toBeCloseTo(15, 12);
    expect(around.lines[0]!.slope).toBe(0);
    // Not what it was said to be: it does not pass for it.
    expect(aroundOf(rooms, 30 * perDay, 300, 3, 1)).toBeNull();
  });
  it("points joined by straight lines give a line each, and every sample lies on one", () => {
    const at = (i: number) => (i < 100 ? 10 + 0.1 * i : i < 250 ? 20 : 20 - 0.05 * (i - 250));
    const rooms = Float64Array.from({ length: 400 }, (_, i) => at(i));
    const { lines } = aroundOf(rooms, 400, 300, 0, 0)!;
    expect(lines.length).toBeLessThan(8);
    rooms.forEach((t, i) => {
      const line = lines.filter((l) => l.from <= i).at(-1)!;
      expect(line.value + line.slope * (i - line.from)).toBeCloseTo(t, 9);
    });
  });
  it("steps that make up no day are left alone", () => expect(aroundOf(new Float64Array(9), 9, 7, 0, 0)).toBeNull());
});

/** A chamber of few choices, each of which may be taken back: a case that fails becomes a small one. */
const cases = fc.record({
  base: fc.constantFrom(...jobs.map((j) => j.id), ...(Object.keys(configurations) as (keyof typeof configurations)[])),
  cabinet: fc.option(fc.constantFrom(...cabinetKinds)),
  unit: fc.option(fc.constantFrom(...unitKinds)),
  room: fc.tuple(fc.integer({ min: -4, max: 28 }), fc.integer({ min: 0, max: 14 })),
  monthly: fc.constantFrom(0, 0, 0, -6, 9),
  target: fc.option(fc.integer({ min: 8, max: 60 }).map((t) => t / 2)),
  probe: fc.option(fc.constantFrom(...probePlaces)),
  step: fc.constantFrom(0, 0, 0.0625, 0.5),
  noise: fc.constantFrom(0, 0, 0, 0, 0.2),
  error: fc.constantFrom(0, 0, -1.3),
  power: fc.option(fc.constantFrom(0, 15, 60, 400)),
  differential: fc.option(fc.constantFrom(0.1, 0.5, 3)),
  delay: fc.option(fc.constantFrom(0, 60, 600)),
  lowAlarm: fc.option(fc.integer({ min: 0, max: 40 })),
  happening: fc.option(
    fc.constantFrom("door", "weather", "powerCut", "probeDrift", "fanStops", "coldFails", "setpoint"),
  ),
  recorded: fc.constantFrom(false, false, true),
  fan: fc.boolean(),
  moist: fc.boolean(),
});
type Case = typeof cases extends fc.Arbitrary<infer T> ? T : never;

const base = (id: string): ChamberRecord => {
  const job = jobs.find((j) => j.id === id);
  return job
    ? applyEdits(recordWith(), jobEdits(job, job.boxes[0]!))
    : configurations[id as keyof typeof configurations]();
};

function recordOf(c: Case): ChamberRecord {
  let record = base(c.base);
  const wished: (Edit | null)[] = [
    c.cabinet === null ? null : set("cabinet", "kind", c.cabinet),
    set("cabinet", "fan", c.fan),
    c.unit === null ? null : set("unit", "kind", c.unit),
    set("room", "low", celsius(c.room[0])),
    set("room", "high", celsius(c.room[0] + c.room[1])),
    set("room", "monthly", kelvins(c.monthly)),
    c.target === null ? null : set("stage", "low", celsius(c.target - 1)),
    c.target === null ? null : set("stage", "high", celsius(c.target + 1)),
    c.probe === null ? null : set("probe", "place", c.probe),
    set("probe", "step", kelvins(c.step)),
    set("probe", "noise", kelvins(c.noise)),
    set("probe", "error", kelvins(c.error)),
    c.power !== null ? set("heater", "power", c.power) : null,
    c.differential === null ? null : set("settings", "heatingDifferential", kelvins(c.differential)),
    c.delay !== null ? set("settings", "compressorDelay", c.delay) : null,
    c.lowAlarm === null ? null : set("settings", "lowAlarm", celsius(c.lowAlarm)),
    set("moisture", "reckoned", c.moist),
  ];
  // Where a wish does not go with the rest the chamber does without it.
  for (const edit of wished) {
    if (!edit) continue;
    const tried = tryChange(record, (r) => applyEdits(r, [edit]));
    if (tried.ok) record = tried.value;
  }
  const at = { id: "h", at: 3 * HOUR, lasting: 2 * HOUR };
  const { probes, controllers } = record;
  const { coolers } = describeChamber(record);
  const of: Partial<Record<string, object>> = {
    weather: { by: kelvins(-7) },
    probeDrift: { which: probes[0]!.id, perDay: kelvins(2) },
    setpoint: { which: controllers[0]!.id, to: celsius(18) },
    coldFails: { which: coolers[0]?.id ?? "" },
  };
  const happening = c.happening && { ...at, kind: c.happening, ...of[c.happening] };
  const seconds = [0, 2 * HOUR, 2.5 * HOUR, 9 * HOUR, 20 * HOUR];
  const met: Partial<ChamberRecord> = {
    ...(happening ? { happenings: [happening as unknown as Happening] } : {}),
    ...(c.recorded ? { recorded: { name: "x", seconds, temperatures: [12, 19, 18.5, 7, 15].map(celsius) } } : {}),
  };
  const tried = tryChange(record, (r) => ({ ...r, ...met }));
  return tried.ok ? tried.value : record;
}

const inputOf = (c: Case): TrialInput | null => {
  try {
    return trialOf(planOf(recordOf(c)), 1.5);
  } catch {
    // Settings that its unit cannot take: no trial either way.
    return null;
  }
};
/** A case that asks for nothing. */
const quietCase: Case = {
  base: "ale",
  cabinet: null,
  unit: null,
  room: [0, 0],
  monthly: 0,
  target: null,
  probe: null,
  step: 0,
  noise: 0,
  error: 0,
  power: null,
  differential: null,
  delay: null,
  lowAlarm: null,
  happening: null,
  recorded: false,
  fan: false,
  moist: false,
};

describe("a trial that leaps", () => {
  it("switches at the steps of the plain loop, shows what it shows, and ends within 1e-8 K of it", () => {
    fc.assert(
      fc.property(cases, (c) => {
        const input = inputOf(c);
        if (!input) return;
        const plain = outcome({ ...input, plain: true });
        const leapt = outcome(input);
        // One that leaves the ground is looked at where it lands: it may be noticed some minutes later.
        if (typeof plain.trial === "string") {
          expect(leapt.trial).toEqual(expect.stringContaining("LeftGround"));
          return;
        }
        // Water that is solved together with heat is solved to so near only, and can end at a kink: there a last digit of
        // the state may come to millikelvins, in the plain loop against itself too.
        const near = c.moist ? 5e-3 : 1e-8;
        expect(apart(plain.trial, leapt.trial, "", [], c.moist ? near : 2e-6)).toEqual([]);
        plain.x.forEach((t, i) => expect(Math.abs(t - leapt.x[i]!)).toBeLessThan(near));
      }),
      {
        numRuns: Number(process.env.HARD ? 1000 : 60),
        seed: Number(process.env.HARD_SEED ?? 20261201),
        // Where it went wrong once: a film whose level ends to one side only, a line without any bend to the other.
        examples: [
          [
            {
              ...quietCase,
              base: "a program of eight stages",
              cabinet: "wine",
              unit: "cutIn",
              probe: "core",
              power: 400,
              differential: 3,
            },
          ],
          [{ ...quietCase, base: "honey", cabinet: "upright", target: 17 }],
        ],
      },
    );
  });

  it("leaps at all: of a quiet chamber few steps are taken by themselves", () => {
    const input = trialOf(planOf(recordWith()), 2);
    const taken = [true, false].map((plain) => {
      const run = startRun({ ...input, plain });
      let steps = 0;
      advance(run, run.steps, { sample: () => void steps++, leap: () => undefined });
      return steps;
    });
    expect(taken[0]).toBe((2 * DAY) / input.dt);
    expect(taken[1]! * 5).toBeLessThan(taken[0]!);
  });
});
