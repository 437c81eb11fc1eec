import ical, { ICalAlarmType } from "ical-generator";
import type { ChamberRecord } from "../model";
import { isKeying, type Todo } from "../trial";

/** How long somebody is busy with it, min. */
const LASTS = 15;

/**
 * What has to be keyed in and done as a calendar file (iCalendar, RFC 5545), with an alarm at each moment. Each entry keeps its
 * name however often the program is worked out anew, and counts up with the record: a calendar that takes the file in
 * again moves its entries and does not double them. Moments are instants in UTC, whatever zone the calendar stands in.
 * @param begins the instant at which the program begins
 * @param written when the file is made
 */
export function calendarOf(
  { id, name, revision }: Pick<ChamberRecord, "id" | "name" | "revision">,
  tasks: readonly Todo[],
  begins: Date,
  written: Date,
): string {
  const calendar = ical({ name, prodId: { company: "Gentle Crock", product: "program" } });
  for (const task of tasks) {
    const start = new Date(begins.getTime() + task.at * 1000);
    const event = calendar.createEvent({
      id: `${id}-${task.id}@gentle-crock`,
      sequence: revision,
      stamp: written,
      start,
      end: new Date(start.getTime() + LASTS * 60_000),
      summary: isKeying(task)
        ? `${name}: ${task.stageName}${task.unit ? `, ${task.unit}` : ""}`
        : `${name}: ${task.name}`,
      description: isKeying(task)
        ? task.numbers.map(({ label, value }) => `${label}: ${value}`).join("\n")
        : task.stageName,
    });
    event.createAlarm({
      type: ICalAlarmType.display,
      trigger: 0,
      description: isKeying(task) ? `Key in: ${name}` : `${task.name}: ${name}`,
    });
  }
  return calendar.toString();
}
