import type { Room } from "../model";
import { celsius, type Temperature } from "../quantity";

/**
 * Room temperature at a moment, °C: one sine a day between the room's lowest and highest, warmest at its hour.
 * @param seconds since the trial's start
 * @param startHour clock hour of the start
 */
export function roomTemperature(room: Room, seconds: number, startHour: number): Temperature {
  const hour = startHour + seconds / 3600;
  const phase = ((hour - room.warmestHour) * Math.PI) / 12;
  return celsius((room.high + room.low) / 2 + ((room.high - room.low) / 2) * Math.cos(phase));
}

export const meanRoom = (room: Room): Temperature => celsius((room.high + room.low) / 2);
