import type { Chamber, Happening, Room } from "../model";
import { celsius, type Temperature } from "../quantity";
import { readingsOf, type Readings } from "../series";

const MONTH = 30 * 86_400;

/** Half of the room's daily swing, K; a recorded room has none of its own. */
export const dailyWave = ({ room, recorded }: Pick<Around, "room" | "recorded">): number =>
  recorded ? 0 : (room.high - room.low) / 2;

/** Angle of the daily wave at an hour of the clock: 0 where the room is warmest. */
export const wavePhase = ({ warmestHour }: Room, hour: number): number => ((hour - warmestHour) * Math.PI) / 12;

/**
 * Room temperature at a moment, °C: one sine a day between the room's lowest and highest, warmest at its hour, on a
 * mean that the season moves.
 * @param seconds since the trial's start
 * @param startHour clock hour of the start
 */
export function roomTemperature(room: Room, seconds: number, startHour: number): Temperature {
  const hour = startHour + seconds / 3600;
  const season = (room.monthly * seconds) / MONTH;
  return celsius((room.high + room.low) / 2 + ((room.high - room.low) / 2) * Math.cos(wavePhase(room, hour)) + season);
}

export const meanRoom = (room: Room): Temperature => celsius((room.high + room.low) / 2);

type Recorded = NonNullable<Chamber["recorded"]>;

const written = (recorded: Recorded): Readings =>
  "series" in recorded ? readingsOf(recorded.series) : { seconds: recorded.seconds, values: recorded.temperatures };

/**
 * A recorded room at a moment, °C: straight lines between its points, its ends held before and after.
 * @throws MissingReadings where they lie in a store and have not been laid out; RangeError beyond what has been
 */
export function recordedTemperature(recorded: Recorded, at: number): Temperature {
  const { seconds, values, until = Infinity } = written(recorded);
  if (at > until) throw new RangeError("A trial reaches further than the readings of its room have been laid out.");
  let low = 0;
  let high = seconds.length - 1;
  if (at <= seconds[0]!) return celsius(values[0]!);
  if (at >= seconds[high]!) return celsius(values[high]!);
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (seconds[middle]! <= at) low = middle;
    else high = middle;
  }
  const share = (at - seconds[low]!) / (seconds[high]! - seconds[low]!);
  return celsius(values[low]! + share * (values[high]! - values[low]!));
}

/** Weather comes and goes over some hours, s. */
const FRONT = 6 * 3600;

/** What cold snaps and heat waves add at a moment, K: each rises and falls over six hours. */
export function weatherAt(happenings: readonly Happening[], at: number): number {
  let sum = 0;
  for (const h of happenings) {
    if (h.kind !== "weather" || at < h.at) continue;
    const end = h.lasting > 0 ? h.at + h.lasting : Infinity;
    const front = Math.min(FRONT, h.lasting > 0 ? h.lasting / 2 : FRONT);
    const share = Math.min((at - h.at) / front, (end - at) / front, 1);
    if (share > 0) sum += h.by * share;
  }
  return sum;
}

type Around = Pick<Chamber, "room" | "recorded" | "happenings">;

/** The air around the box at a moment, °C: recorded or daily swing and season, with its weather. */
export const aroundAt = ({ room, recorded, happenings }: Around, seconds: number, startHour: number): number =>
  (recorded ? recordedTemperature(recorded, seconds) : roomTemperature(room, seconds, startHour)) +
  weatherAt(happenings, seconds);

/** Whether one day of the room is like every other, so that a day of it is enough. */
export const isDaily = ({ room, recorded, happenings }: Around): boolean =>
  room.monthly === 0 && recorded === null && !happenings.some((h) => h.kind === "weather");
