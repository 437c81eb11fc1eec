import fc from "fast-check";
import { noOutput, onOffFamily, powerUp, type OnOffNumbers, type OnOffState } from ".";

const count = (min: number, max: number) => fc.integer({ min, max });
const numbers: fc.Arbitrary<OnOffNumbers> = fc.record({
  heats: fc.boolean(),
  cools: fc.boolean(),
  // Points in any order: contradictions too.
  heatOn: count(-6, 6),
  heatOff: count(-6, 6),
  coldOn: count(-6, 6),
  coldOff: count(-6, 6),
  lowAlarm: count(-9, 0),
  highAlarm: count(0, 9),
  hasAlarms: fc.constant(true),
  alarmHysteresis: count(0, 2),
  alarmDelay: fc.constantFrom(0, 30, 60),
  offset: fc.constant(0),
  delay: fc.constantFrom(0, 25, 60),
  holdsAtFault: fc.constant(false),
  restAtStart: fc.boolean(),
});
const DT = 5;

/** A unit after some readings, from power-up on, and what it gave out at the last. */
function after(unit: OnOffNumbers, readings: readonly number[]) {
  const state = powerUp(unit.restAtStart);
  const out = noOutput();
  for (const reading of readings) onOffFamily.step(state, unit, reading, DT, out);
  return { state, out: { ...out } };
}
const given = ({ display: _d, target: _t, ...rest }: ReturnType<typeof noOutput>) => rest;
/** What it remembers beside what it gives out, s. */
const clocks = ({ rested, lowFor, highFor }: OnOffState) => [rested, lowFor, highFor];

describe("readings that a unit says change nothing", () => {
  it("change nothing, any of them in any order, and skipping them is stepping through them", () => {
    let long = 0;
    fc.assert(
      fc.property(
        numbers,
        fc.array(count(-10, 10), { minLength: 1, maxLength: 40 }),
        fc.integer(),
        (unit, path, seed) => {
          const { state, out } = after(unit, path);
          const last = path.at(-1)!;
          const quiet = { low: 0, high: 0, steps: 0 };
          onOffFamily.quiet(state, unit, last, DT, quiet);
          if (quiet.steps === 0) return;
          const [low, high] = [Math.max(-10, quiet.low), Math.min(10, quiet.high)];
          const steps = Math.min(quiet.steps, 30);
          if (steps > 5 && high > low) long++;
          const skipped = onOffFamily.copy(state);
          onOffFamily.skip(skipped, unit, last, steps * DT);
          const now = noOutput();
          for (let i = 0; i < steps; i++) {
            const reading = low + (Math.abs(seed + i * 7919) % (high - low + 1));
            onOffFamily.step(state, unit, reading, DT, now);
            expect(given(now)).toEqual(given(out));
          }
          expect(clocks(skipped)).toEqual(clocks(state));
          expect(given({ ...now })).toEqual(given(out));
        },
      ),
      { numRuns: 3000, seed: 7 },
    );
    // It says so often enough to be of use.
    expect(long).toBeGreaterThan(500);
  });

  it("end where a delay does: the step after the last is the one that closes the outlet", () => {
    const unit = { ...fc.sample(numbers, { numRuns: 1, seed: 1 })[0]!, heats: false, cools: true };
    Object.assign(unit, {
      coldOn: 3,
      coldOff: 0,
      lowAlarm: -9,
      highAlarm: 9,
      alarmHysteresis: 0,
      delay: 60,
      restAtStart: true,
    });
    const { state, out } = after(unit, [5]);
    const quiet = { low: 0, high: 0, steps: 0 };
    onOffFamily.quiet(state, unit, 5, DT, quiet);
    expect([out.cold, quiet.steps]).toEqual([0, 60 / DT - 2]);
    onOffFamily.skip(state, unit, 5, quiet.steps * DT);
    const next = noOutput();
    onOffFamily.step(state, unit, 5, DT, next);
    expect(next.cold).toBe(1);
  });
});
