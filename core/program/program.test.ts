import type { Observable, Program, StageEnd } from "../model";
import { after, changed, eightStages, set, staged, twoUnits } from "../testing/configurations";
import { chamberWith, recordWith } from "../testing/build";
import { describe as describeChamber } from "../chamber";
import { celsius } from "../quantity";
import {
  controllerName,
  copyProgram,
  isAttended,
  isWatchful,
  localSeconds,
  nextAttended,
  nextMoment,
  sayEnd,
  sayEnds,
  stageName,
  startHourOf,
  startProgram,
  takeDue,
  vesselName,
  watch,
  type ProgramPlan,
  type ProgramState,
} from ".";

const HOUR = 3600;
const DAY = 86_400;

/** A program of stages with these ends, and whatever else is said of it; it begins at six in the evening. */
function planWith(ends: StageEnd[][], more: Partial<Program> = {}, stage: Record<string, unknown> = {}): ProgramPlan {
  const record = staged(
    recordWith(),
    ...ends.map((e, i) => ({ band: [18 + i, 20 + i] as const, ends: e, more: { target: celsius(19 + i), ...stage } })),
  );
  const { stages, program } = describeChamber(record);
  return { stages, program: { ...program, ...more } };
}

/** Moments at which a program changes by the clock, up to a time. */
function moments(plan: ProgramPlan, until: number, state: ProgramState = startProgram(plan)): [number, number][] {
  const seen: [number, number][] = [];
  for (let at = nextMoment(plan, state); at <= until; at = nextMoment(plan, state)) {
    takeDue(plan, state, at);
    seen.push([at, state.stage]);
    if (state.finishedAt >= 0 && state.nextStep === Infinity) break;
  }
  return seen;
}

describe("attendance", () => {
  const by = (attendedFrom: number, attendedTo: number, away: Program["away"] = []) => ({
    attendedFrom,
    attendedTo,
    away,
  });
  it("is all day long where both hours are one, or a whole day lies between them", () => {
    for (const hour of [0, 5, 23]) {
      expect(isAttended(by(8, 8), 0, hour * HOUR)).toBe(true);
      expect(isAttended(by(0, 24), 0, hour * HOUR)).toBe(true);
    }
  });
  it("holds from the first hour on, and no longer at the last", () => {
    expect([7.99, 8, 21.99, 22].map((h) => isAttended(by(8, 22), 0, h * HOUR))).toEqual([false, true, true, false]);
  });
  it("goes over midnight where the first hour is the later one", () => {
    expect([21.99, 22, 3, 5.99, 6].map((h) => isAttended(by(22, 6), 0, h * HOUR))).toEqual([
      false,
      true,
      true,
      true,
      false,
    ]);
  });
  it("counts the clock from the hour at which the program began", () => {
    expect(isAttended(by(8, 22), 18, 3 * HOUR)).toBe(true);
    expect(isAttended(by(8, 22), 18, 5 * HOUR)).toBe(false);
    expect(nextAttended(by(8, 22), 18, 5 * HOUR)).toBe(14 * HOUR);
    expect(nextAttended(by(8, 22), 18, 14 * HOUR)).toBe(14 * HOUR);
  });
  it("waits for the end of days away: that moment where it is attended, or the next morning", () => {
    const away = [{ from: 0, to: 2 * DAY + HOUR }];
    expect(nextAttended(by(8, 22, away), 10, HOUR)).toBe(2 * DAY + HOUR);
    expect(nextAttended(by(8, 22, [{ from: 0, to: 14 * HOUR }]), 10, HOUR)).toBe(22 * HOUR);
    expect(nextAttended(by(8, 22, [{ from: 3 * HOUR, to: 4 * HOUR }]), 10, 2 * HOUR)).toBe(2 * HOUR);
    expect(isAttended(by(8, 8, [{ from: HOUR, to: 2 * HOUR }]), 10, 2 * HOUR)).toBe(true);
    expect(isAttended(by(8, 8, [{ from: HOUR, to: 2 * HOUR }]), 10, HOUR)).toBe(false);
  });
  it("is found after a hundred days away, and is said to come never where it lies beyond every trial", () => {
    expect(nextAttended(by(8, 9, [{ from: 0, to: 100 * DAY }]), 0, 0)).toBe(100 * DAY + 8 * HOUR);
    expect(nextAttended(by(8, 9, [{ from: 0, to: 1000 * DAY }]), 0, 0)).toBe(Infinity);
  });
});

describe("ends by the clock", () => {
  it("after so long; the last stage ends too, and nothing follows", () => {
    const plan = planWith([[after(2 * HOUR)], [after(3 * HOUR)], [after(HOUR)]]);
    const state = startProgram(plan);
    expect(moments(plan, 30 * DAY, state)).toEqual([
      [2 * HOUR, 1],
      [5 * HOUR, 2],
      [6 * HOUR, 2],
    ]);
    expect(state.finishedAt).toBe(6 * HOUR);
    expect(nextMoment(plan, state)).toBe(Infinity);
    const over = copyProgram(state);
    takeDue(plan, state, 99 * DAY);
    expect(state).toEqual(over);
  });
  it("at an hour of the day: the next one after it began, a whole day later where it is that hour", () => {
    const plan = planWith([
      [{ kind: "clock", hour: 6 }],
      [{ kind: "clock", hour: 6 }],
      [{ kind: "clock", hour: 7.5 }],
      [],
    ]);
    expect(startHourOf(plan.program)).toBe(18);
    expect(moments(plan, 9 * DAY)).toEqual([
      [12 * HOUR, 1],
      [36 * HOUR, 2],
      [37.5 * HOUR, 3],
    ]);
  });
  it("at a date, counted from the program's own start, also over a month's end", () => {
    const start = { startsAt: "2026-01-31T09:30" };
    const plan = planWith([[{ kind: "date", at: "2026-02-01T10:00" }], []], start);
    expect(startHourOf(plan.program)).toBe(9.5);
    expect(localSeconds("2026-03-01T00:00") - localSeconds("2026-02-01T00:00")).toBe(28 * DAY);
    expect(moments(plan, 9 * DAY)).toEqual([[24.5 * HOUR, 1]]);
    // A date that has passed ends the stage at once; without a start nothing can be said.
    expect(moments(planWith([[{ kind: "date", at: "2026-01-01T10:00" }], []], start), DAY)).toEqual([[0, 1]]);
    expect(moments(planWith([[{ kind: "date", at: "2026-02-01T10:00" }], []]), 90 * DAY)).toEqual([]);
  });
  it("any of several, the first that comes; at the latest time where that is sooner", () => {
    const ends: StageEnd[] = [after(9 * HOUR), { kind: "clock", hour: 20 }];
    const plan = planWith([ends, []]);
    expect(moments(plan, DAY)).toEqual([[2 * HOUR, 1]]);
    const latest = planWith([[after(9 * HOUR)], []], {}, { latest: 3 * HOUR });
    const state = startProgram(latest);
    takeDue(latest, state, 3 * HOUR);
    expect(state.stage).toBe(1);
    expect(moments(planWith([[after(9 * HOUR)], []]), DAY)).toEqual([[9 * HOUR, 1]]);
  });
});

describe("ends that need a person", () => {
  const hours = { attendedFrom: 8, attendedTo: 22, away: [] };
  it("confirmed: at the first attended moment from then on", () => {
    const plan = planWith([[{ kind: "confirmed", after: 5 * HOUR }], []], hours);
    expect(moments(plan, 9 * DAY)).toEqual([[14 * HOUR, 1]]);
    const away = planWith([[{ kind: "confirmed", after: 5 * HOUR }], []], {
      ...hours,
      away: [{ from: 4 * HOUR, to: 3 * DAY }],
    });
    expect(moments(away, 9 * DAY)).toEqual([[3 * DAY, 1]]);
  });
  it("keyed in by hand: due at night, taken in the morning; a controller that does it itself waits for nobody", () => {
    const plan = planWith([[after(5 * HOUR)], []], { ...hours, byHand: true });
    const state = startProgram(plan);
    takeDue(plan, state, 5 * HOUR);
    expect(state).toMatchObject({ stage: 0, dueAt: 5 * HOUR, dueBy: 0 });
    expect(nextMoment(plan, state)).toBe(14 * HOUR);
    takeDue(plan, state, 14 * HOUR);
    expect(state).toMatchObject({ stage: 1, since: 14 * HOUR, dueAt: -1, dueBy: null });
    expect(moments(planWith([[after(5 * HOUR)], []], { ...hours, byHand: false }), DAY)).toEqual([[5 * HOUR, 1]]);
  });
});

describe("ends by what is seen", () => {
  const end = (heldFor: number, comparison: "atLeast" | "atMost" = "atLeast"): StageEnd => ({
    kind: "reaches",
    observable: { of: "vessel", id: "v1", name: "temperature" },
    comparison,
    value: 20,
    heldFor,
  });
  it("at the value itself, from either side", () => {
    const plan = planWith([[end(0)], [end(0, "atMost")], []]);
    expect(isWatchful(plan)).toBe(true);
    expect(isWatchful(planWith([[after(9)], []]))).toBe(false);
    const state = startProgram(plan);
    expect(watch(plan, state, () => 19.999, 10)).toBe(false);
    expect(watch(plan, state, () => 20, 20)).toBe(true);
    takeDue(plan, state, 20);
    expect(state.stage).toBe(1);
    expect(watch(plan, state, () => 20.001, 30)).toBe(false);
    expect(watch(plan, state, () => 20, 40)).toBe(true);
    expect(watch(plan, state, () => 20, 50)).toBe(false);
  });
  it("held without a break: a dip begins anew, and a reading that is none never counts", () => {
    const plan = planWith([[end(100)], []]);
    const state = startProgram(plan);
    const at = (now: number, value: number) => watch(plan, state, () => value, now);
    expect([at(0, 20.5), at(90, 21), at(95, 19), at(100, 20.5), at(199, 20.5)]).toEqual(Array(5).fill(false));
    expect(at(200, 20.5)).toBe(true);
    const blind = startProgram(plan);
    expect([0, 100, 200].map((now) => watch(plan, blind, () => NaN, now))).toEqual([false, false, false]);
  });
  it("a copy goes on by itself", () => {
    const plan = planWith([[end(100)], []]);
    const state = startProgram(plan);
    watch(plan, state, () => 21, 0);
    const copy = copyProgram(state);
    watch(plan, state, () => 10, 50);
    expect(copy.heldSince).toEqual([0]);
    expect(watch(plan, copy, () => 21, 100)).toBe(true);
    expect(state.heldSince).toEqual([-1]);
  });
});

describe("the way to a stage", () => {
  it("goes in steps of its own, the first as it begins, the last no longer than what is left", () => {
    const record = staged(
      recordWith(),
      { band: [9, 11], ends: [after(HOUR)], more: { target: celsius(10) } },
      { band: [12, 13.5], ends: [after(9 * DAY)], more: { target: celsius(12.5), rampBy: 1, rampEvery: 2 * HOUR } },
    );
    const { stages, program } = describeChamber(record);
    const plan = { stages, program };
    const state = startProgram(plan);
    const shifts: [number, number][] = [];
    for (let at = nextMoment(plan, state); at < 2 * DAY; at = nextMoment(plan, state)) {
      takeDue(plan, state, at);
      shifts.push([at / HOUR, state.shift]);
    }
    expect(shifts).toEqual([
      [1, -1.5],
      [3, -0.5],
      [5, 0],
    ]);
    expect(state.nextStep).toBe(Infinity);
  });
  it("waits for somebody where steps are keyed in by hand", () => {
    const record = staged(
      recordWith(),
      { band: [9, 11], ends: [after(HOUR)], more: { target: celsius(10) } },
      { band: [12, 14], more: { target: celsius(13), rampBy: 1, rampEvery: 2 * HOUR } },
    );
    const { stages, program } = describeChamber(record);
    const plan: ProgramPlan = { stages, program: { ...program, byHand: true, attendedFrom: 8, attendedTo: 20 } };
    // Begun at 18:00: the first step at 19:00, the next is due at 21:00 and made at 8:00, the last at 10:00.
    expect(moments(plan, 3 * DAY).map(([at]) => at / HOUR)).toEqual([1, 14, 16]);
  });
});

describe("stages in words", () => {
  it("by its name or its number, and every way in which it ends", () => {
    const chamber = chamberWith();
    const ends: StageEnd[] = [after(2 * HOUR), { kind: "clock", hour: 6 }];
    expect(
      stageName(
        [
          { id: "a", name: "" },
          { id: "b", name: "Rest" },
        ],
        "b",
      ),
    ).toBe("Rest");
    expect(
      stageName(
        [
          { id: "a", name: "" },
          { id: "b", name: "" },
        ],
        "b",
      ),
    ).toBe("Stage 2");
    expect(sayEnds({ ends, latest: 0 }, chamber, "C")).toMatch(/^for 2.h, or until 0?6:00$/);
    expect(sayEnds({ ends: [], latest: 0 }, chamber, "C")).toBe("to the end");
    expect(sayEnds({ ends, latest: 7200 }, chamber, "C")).toMatch(/at the most$/);
    const gravity = (id: string): StageEnd => ({
      kind: "reaches",
      observable: { of: "vessel", id, name: "gravity" },
      comparison: "atMost",
      value: 1.012,
      heldFor: DAY,
    });
    expect(sayEnds({ ends: [gravity("v1")], latest: 0 }, chamber, "C")).toMatch(/gravity is at 1\.012 or less for/);
  });
  it("what each waits for: a place, a probe, a display, a vessel, for how long, or somebody", () => {
    const one = chamberWith();
    const two = describeChamber(twoUnits());
    const until = (observable: Observable, value = 20, heldFor = 0, chamber = one) =>
      sayEnd({ kind: "reaches", observable, comparison: "atLeast", value, heldFor }, chamber, "C").replace(
        /\u00a0/g,
        " ",
      );
    const temperature = (of: Observable["of"], id = "") => ({ of, id, name: "temperature" }) as Observable;
    expect(until(temperature("air"))).toBe("until the air is at 20.0 °C or more");
    expect(until(temperature("room"), 5, 7200)).toBe("until the room is at 5.0 °C or more for 2 h");
    expect(until(temperature("probe", "p2"), 20, 0, two)).toBe("until probe 2 is at 20.0 °C or more");
    expect(until(temperature("controller", "u1"))).toBe("until the display of the unit is at 20.0 °C or more");
    expect(until(temperature("controller", "u2"), 20, 0, two)).toBe(
      "until the display of unit 2 is at 20.0 °C or more",
    );
    expect(until(temperature("vessel", "v1"))).toBe("until the product is at 20.0 °C or more");
    expect(until(temperature("vessel", "v2"), 20, 0, two)).toBe("until vessel 2 is at 20.0 °C or more");
    expect(until({ of: "vessel", id: "v1", name: "progress" } as Observable, 0.75)).toBe(
      "until the sugar fermented is at 75 % or more",
    );
    const named = describeChamber(changed(twoUnits(), set("unit", "name", "The left one", "u1")));
    expect(controllerName(named, "u1")).toBe("The left one");
    expect([controllerName(named, "u2"), controllerName(one, "u1")]).toEqual(["unit 2", "the unit"]);
    expect([vesselName(two, "v1"), vesselName(one, "v1")]).toEqual(["vessel 1", "the product"]);
    const say = (end: StageEnd) => sayEnd(end, one, "C").replace(/\u00a0/g, " ");
    expect(say({ kind: "confirmed", after: 0 })).toBe("until somebody says so");
    expect(say({ kind: "confirmed", after: 3600 })).toBe("until somebody says so, after 1 h at the earliest");
    expect(say({ kind: "date", at: "2026-02-01T10:00" })).toBe("until 2026-02-01, 10:00");
    expect(sayEnds({ ends: [], latest: 7200 }, one, "C").replace(/\u00a0/g, " ")).toBe("for 2 h at the most");
    expect(sayEnds({ ends: [after(3600)], latest: 7200 }, one, "C").replace(/\u00a0/g, " ")).toBe(
      "for 1 h, for 2 h at the most",
    );
  });
  it("eight stages are eight", () => expect(describeChamber(eightStages()).stages.map((s) => s.id)).toHaveLength(8));
});
