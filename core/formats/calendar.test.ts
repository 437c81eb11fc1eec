import ICAL from "ical.js";
import type { KeyingTask } from "../trial";
import { calendarOf } from ".";

const task = (id: string, at: number, setpoint: string): KeyingTask => ({
  id,
  at,
  stage: id,
  stageName: `Stage ${id}`,
  unit: "",
  numbers: [
    { label: "Setpoint", value: setpoint },
    { label: "Alarm; low, high", value: "4.0\u00a0°C" },
  ],
});
const begins = new Date("2026-03-28T18:00:00Z");
const written = new Date("2026-03-27T09:00:00Z");
const record = { id: "ale-1", name: "Cellar, left; \u201cAle\u201d", revision: 7 };

/** Read back by a parser of its own, ical.js. */
const eventsOf = (text: string) =>
  new ICAL.Component(ICAL.parse(text) as never[]).getAllSubcomponents("vevent").map((e) => new ICAL.Event(e));

describe("a program as a calendar file, read back by an independent parser", () => {
  const tasks = [task("s1-u1-0", 0, "19.0\u00a0°C"), task("s2-u1-0", 2.5 * 86_400, "21.0\u00a0°C")];
  it("has an entry with its alarm at each moment, over the night on which clocks change", () => {
    const events = eventsOf(calendarOf(record, tasks, begins, written));
    expect(events.map((e) => e.startDate.toJSDate().toISOString())).toEqual([
      "2026-03-28T18:00:00.000Z",
      "2026-03-31T06:00:00.000Z",
    ]);
    expect(events.map((e) => e.summary)).toEqual([
      "Cellar, left; \u201cAle\u201d: Stage s1-u1-0",
      "Cellar, left; \u201cAle\u201d: Stage s2-u1-0",
    ]);
    expect(events[1]!.description).toBe("Setpoint: 21.0\u00a0°C\nAlarm; low, high: 4.0\u00a0°C");
    for (const e of events) expect(e.component.getAllSubcomponents("valarm")).toHaveLength(1);
  });
  it("updates its entries when it is written again, and never doubles them", () => {
    const [first] = [eventsOf(calendarOf(record, tasks, begins, written))];
    const again = eventsOf(
      calendarOf({ ...record, revision: 9 }, [tasks[0]!, { ...tasks[1]!, at: 3 * 86_400 }], begins, written),
    );
    expect(again.map((e) => e.uid)).toEqual(first!.map((e) => e.uid));
    expect(new Set(again.map((e) => e.uid)).size).toBe(2);
    expect(first!.map((e) => e.sequence)).toEqual([7, 7]);
    expect(again.map((e) => e.sequence)).toEqual([9, 9]);
    expect(again[1]!.startDate.toJSDate().toISOString()).toBe("2026-03-31T18:00:00.000Z");
  });
  it("says between when and when it may be ready, over that time and without an alarm", () => {
    const DAY = 86_400;
    const range = { ready: [{ index: -1, soon: 8 * DAY, usual: 10 * DAY, late: 13.5 * DAY }] };
    const [ready] = eventsOf(calendarOf(record, [], begins, written, range));
    expect(ready!.startDate.toJSDate().toISOString()).toBe("2026-04-05T18:00:00.000Z");
    expect(ready!.endDate.toJSDate().toISOString()).toBe("2026-04-11T06:00:00.000Z");
    expect(ready!.description).toBe(
      "Ready after 10\u00a0d, between 8\u00a0d and 14\u00a0d. An estimate: a reading decides.",
    );
    expect(ready!.component.getAllSubcomponents("valarm")).toHaveLength(0);
    const two = { ready: [...range.ready, { index: 1, soon: 9 * DAY, usual: null, late: null }] };
    const [both] = eventsOf(calendarOf(record, [], begins, written, two));
    expect(both!.description).toMatch(/^Ready between 9\u00a0d and later than was looked at\./);
    const never = { ready: [{ index: -1, soon: null, usual: null, late: null }] };
    expect(eventsOf(calendarOf(record, [], begins, written, never))).toEqual([]);
  });
  it("keeps to lines of 75 octets", () => {
    for (const line of calendarOf(record, tasks, begins, written).split("\r\n"))
      expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });
});
