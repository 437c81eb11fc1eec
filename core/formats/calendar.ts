import ical, { ICalAlarmType, ICalEventTransparency } from "ical-generator";
import type { ChamberRecord } from "../model";
import { atFirst } from "../quantity";
import { allReady, isKeying, readyWords, type Ensemble, type Todo } from "../trial";

/** How long somebody is busy with it, min. */
const LASTS = 15;

/**
 * What has to be keyed in and done as a calendar file (iCalendar, RFC 5545), with an alarm at each moment. Each entry keeps its
 * name however often the program is worked out anew, and counts up with the record: a calendar that takes the file in
 * again moves its entries and does not double them. Moments are instants in UTC, whatever zone the calendar stands in.
 * @param begins the instant at which the program begins
 * @param written when the file is made
 * @param range between when and when it may be ready, s from the beginning: an entry over that time, without an alarm
 */
export function calendarOf(
  { id, name, revision }: Pick<ChamberRecord, "id" | "name" | "revision">,
  tasks: readonly Todo[],
  begins: Date,
  written: Date,
  range: Pick<Ensemble, "ready"> | null = null,
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
  const ready = range && allReady(range);
  if (ready && ready.soon !== null) {
    const at = (seconds: number) => new Date(begins.getTime() + seconds * 1000);
    calendar.createEvent({
      id: `${id}-ready@gentle-crock`,
      sequence: revision,
      stamp: written,
      start: at(ready.soon),
      end: at(ready.late ?? ready.usual ?? ready.soon),
      summary: `${name}: ready in this time`,
      description: `${atFirst(readyWords(range)!)}. An estimate: a reading decides.`,
      // Nobody is busy with it all the while.
      transparency: ICalEventTransparency.TRANSPARENT,
    });
  }
  return calendar.toString();
}
