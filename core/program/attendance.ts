import type { Program } from "../model";

const DAY = 86_400;
const HOUR = 3600;

/** Evening, when the wort is in and the door is shut (our choice): where nothing says when a program begins. */
export const START_HOUR = 18;

/** A local moment as seconds since 1970, as if it stood in UTC: only differences of such moments mean anything. */
export function localSeconds(at: string): number {
  const [, y, mo, d, h, mi] = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})/.exec(at) ?? [];
  return Date.UTC(Number(y), Number(mo) - 1, Number(d), Number(h), Number(mi)) / 1000;
}

/** Clock hour at which a program begins, 0..24. */
export const startHourOf = ({ startsAt }: Pick<Program, "startsAt">): number =>
  startsAt ? (localSeconds(startsAt) % DAY) / HOUR : START_HOUR;

type Attendance = Pick<Program, "attendedFrom" | "attendedTo" | "away">;

/** Whether somebody can be there at a moment, s from the start of the program. */
export function isAttended({ attendedFrom, attendedTo, away }: Attendance, startHour: number, at: number): boolean {
  if (away.some((a) => at >= a.from && at < a.to)) return false;
  if (attendedFrom === attendedTo || attendedTo - attendedFrom >= 24) return true;
  const hour = (startHour + at / HOUR) % 24;
  return attendedFrom < attendedTo
    ? hour >= attendedFrom && hour < attendedTo
    : hour >= attendedFrom || hour < attendedTo;
}

/** Moments at which attendance can begin are looked at over this long, s. */
const FURTHEST = 400 * DAY;

/** The first attended moment at or after a moment, s; Infinity where nobody ever comes. */
export function nextAttended(attendance: Attendance, startHour: number, at: number): number {
  if (isAttended(attendance, startHour, at)) return at;
  const { attendedFrom, away } = attendance;
  // It can only begin when the hours of a day begin, or when days away are over.
  const firstMorning = ((((attendedFrom - startHour) % 24) + 24) % 24) * HOUR;
  const mornings = firstMorning + Math.ceil((at - firstMorning) / DAY) * DAY;
  let best = Infinity;
  for (const { to } of away) if (to >= at && to < best && isAttended(attendance, startHour, to)) best = to;
  for (let morning = mornings; morning < Math.min(best, at + FURTHEST); morning += DAY)
    if (morning >= at && isAttended(attendance, startHour, morning)) return morning;
  return best;
}
