import fc from "fast-check";
import { cabinetKinds, unitKinds, type Edit, type Happening } from "../model";
import { celsius, kelvins } from "../quantity";
import { meeting, plainTrial, planned, recordWith, steadyRoom } from "../testing/build";
import { imbalance } from "./energy";
import { runTrial } from "./runTrial";
import { startRun } from "./run";
import { advance } from "./stepper";
import type { RunState } from "./state";

const HOUR = 3600;
const edit = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;

const moment = fc.integer({ min: 0, max: 44 }).map((h) => h * HOUR);
const span = fc.constantFrom(0, 300, HOUR, 6 * HOUR);
/** What each happens to: the first of its kind. */
const whichOf: Record<string, string> = {
  setpoint: "u1",
  relayStuck: "u1",
  probeOut: "p1",
  probeFault: "p1",
  probeDrift: "p1",
  heaterStaysOff: "h1",
  heaterCutOut: "h1",
  fuelOut: "h1",
  coldFails: "c1",
  iceForgotten: "c1",
};
const happenings = fc.array(
  fc.oneof(
    ...(
      ["door", "lidOff", "powerCut", "heaterStaysOff", "heaterCutOut", "coldFails", "fanStops", "iceForgotten"] as const
    ).map((kind) => fc.record({ kind: fc.constant(kind), at: moment, lasting: span })),
    fc.record({
      kind: fc.constant("probeOut" as const),
      at: moment,
      lasting: span,
      to: fc.constantFrom("air", "room"),
    }),
    fc.record({
      kind: fc.constant("probeFault" as const),
      at: moment,
      lasting: span,
      fault: fc.constantFrom("open", "short"),
    }),
    fc.record({
      kind: fc.constant("probeDrift" as const),
      at: moment,
      lasting: span,
      perDay: fc.constantFrom(-2, 3).map(kelvins),
    }),
    fc.record({
      kind: fc.constant("relayStuck" as const),
      at: moment,
      lasting: span,
      outlet: fc.constantFrom("heat", "cold"),
      to: fc.constantFrom("on", "off"),
    }),
    fc.record({ kind: fc.constant("setpoint" as const), at: moment, to: fc.constantFrom(15, 24).map(celsius) }),
    fc.record({
      kind: fc.constant("loadIn" as const),
      at: moment,
      volume: fc.constantFrom(0.001, 0.02),
      temperature: fc.constantFrom(2, 70).map(celsius),
    }),
    fc.record({ kind: fc.constant("fuelOut" as const), at: moment }),
    fc.record({
      kind: fc.constant("weather" as const),
      at: moment,
      lasting: span,
      by: fc.constantFrom(-15, 12).map(kelvins),
    }),
  ),
  { maxLength: 6 },
);
const chambers = fc.record({
  kind: fc.constantFrom(...cabinetKinds),
  unit: fc.constantFrom(...unitKinds),
  outlet: fc.constantFrom("heat", "cool"),
  atFault: fc.constantFrom("off", "hold", "blind"),
  room: fc.integer({ min: -5, max: 35 }),
  ice: fc.boolean(),
  staysOff: fc.boolean(),
  defrost: fc.boolean(),
  timer: fc.boolean(),
});

describe("under any happening", () => {
  it("no unit commands heat and cold together or breaks its delay, the energy closes, and every figure is finite", () => {
    fc.assert(
      fc.property(chambers, happenings, (c, list) => {
        const record = meeting(
          recordWith(
            edit("cabinet", "kind", c.kind),
            edit("unit", "kind", c.unit),
            edit("unit", "outlet", c.outlet),
            edit("unit", "atFault", c.atFault),
            ...steadyRoom(c.room),
            edit("product", "kind", "hold"),
            edit("heater", "staysOff", c.staysOff),
            edit("heater", "timer", c.timer ? HOUR : 0),
            edit("cooler", "defrostEvery", c.defrost ? 4 * HOUR : 0),
            ...(c.ice ? [edit("cooler", "kind", "ice"), edit("cooler", "iceEvery", 12 * HOUR)] : []),
          ),
          ...(list.map((h) => ({ ...h, which: whichOf[h.kind] })) as Happening[]),
        );
        const { chamber, settings } = planned(record);
        const input = plainTrial(chamber, settings, 2, 10);
        const run = startRun(input);
        const last = { was: false, stopped: 0 };
        const delay = chamber.controllers[0]!.unit.delayHigh > 0 ? settings.compressorDelay : 0;
        let powered = true;
        const cuts = chamber.happenings.filter((h) => h.kind === "powerCut");
        advance(run, run.steps, {
          sample({ controls, step, x }: RunState) {
            if (!x.every(Number.isFinite)) throw new Error(`not finite at step ${step}`);
            for (const c of controls)
              if (c.callForHeat && (c.coldOutlet || c.callForCold)) throw new Error(`heat and cold at step ${step}`);
            const cold = controls.at(-1)!.coldOutlet;
            const now = step * input.dt;
            const cut = cuts.some((h) => h.at <= now && (h.lasting === 0 || now < h.at + h.lasting));
            if (cut) last.stopped = now;
            if (cold && !last.was && powered && now - last.stopped < delay - 1e-9)
              throw new Error(`a rest of only ${now - last.stopped} s at step ${step}`);
            if (!cold && last.was) last.stopped = now;
            last.was = cold;
            powered = !cut;
          },
        });
        expect(imbalance(runTrial(input).metrics.energy)).toBeLessThan(1e-8);
      }),
      { numRuns: 60, seed: 7 },
    );
  });
});
