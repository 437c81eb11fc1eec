import Papa from "papaparse";
import type { RoomSeries } from "../model";
import { celsius, fromScale, read, refuse, type Read, type Scale } from "../quantity";

/** Rows beyond this are thinned evenly: a room does not move faster than that. */
const MOST = 4000;
const HOUR = 3600;

const timeWords = /time|date|zeit|hour|stunde|uhr|moment/i;
const temperatureWords = /temp|°|celsius|fahrenheit|grad|deg|^[cf]$/i;
const fahrenheit = /fahrenheit|°\s*f|\(f\)|\bf\b|_f$/i;

/** A number with a point or a comma; NaN where it is none. */
const number = (text: string): number =>
  /^\s*[+\-\u2212]?\d+([.,]\d+)?\s*$/.test(text) ? Number(text.trim().replace(",", ".").replace("\u2212", "-")) : NaN;

/** A moment in seconds: hours as a number, or a date with a clock time (taken as local to the room). */
function moment(text: string): number {
  const hours = number(text);
  if (Number.isFinite(hours)) return hours * HOUR;
  const iso = /^\s*(\d{4})-(\d{1,2})-(\d{1,2})(?:[T\s]+(\d{1,2}):(\d{2})(?::(\d{2}))?)?/.exec(text);
  if (!iso) return NaN;
  const [, y, mo, d, h = "0", mi = "0", s = "0"] = iso;
  return Date.UTC(Number(y), Number(mo) - 1, Number(d), Number(h), Number(mi), Number(s)) / 1000;
}

/** The cells of a table of comma-, semicolon- or tab-separated values. */
function cells(text: string): string[][] {
  // Papa's guess counts commas first; a decimal comma in a table with semicolons must not mislead it.
  const firstLine = text.split(/\r?\n/).find((l) => l.trim()) ?? "";
  const delimiter = [";", "\t", ","].find((d) => firstLine.includes(d)) ?? ",";
  return Papa.parse<string[]>(text, { delimiter, skipEmptyLines: "greedy" }).data;
}

/**
 * Reads a recorded room from a table: one column of times (hours, or dates with clock times) and one of temperatures.
 * The first time becomes the start of the trial. Says in which line something is wrong; nothing is taken by halves.
 * @param scale of the temperatures where the heading does not say it
 */
export function readRoomCsv(text: string, name: string, scale: Scale): Read<RoomSeries> {
  const rows = cells(text);
  const heading = rows[0] ?? [];
  const hasHeading = heading.some((cell) => cell.trim() !== "" && Number.isNaN(moment(cell)));
  const body = hasHeading ? rows.slice(1) : rows;
  if (body.length < 2)
    return refuse("This table has fewer than two rows of readings: a time and a temperature in each.");
  const width = Math.max(...body.slice(0, 20).map((r) => r.length));
  if (width < 2)
    return refuse(
      "There is only one column. A time and a temperature are needed, with a comma, semicolon or tab between them.",
    );
  const named = (words: RegExp) => (hasHeading ? heading.findIndex((cell) => words.test(cell)) : -1);
  const timeAt = Math.max(0, named(timeWords));
  const temperatureNamed = heading.findIndex((cell, i) => i !== timeAt && hasHeading && temperatureWords.test(cell));
  const temperatureAt = temperatureNamed >= 0 ? temperatureNamed : timeAt === 0 ? 1 : 0;
  const said: Scale = hasHeading && fahrenheit.test(heading[temperatureAt] ?? "") ? "F" : scale;
  const every = Math.ceil(body.length / MOST);
  const seconds: number[] = [];
  const temperatures: RoomSeries["temperatures"] = [];
  let start = NaN;
  for (let i = 0; i < body.length; i++) {
    const line = i + (hasHeading ? 2 : 1);
    const time = moment(body[i]![timeAt] ?? "");
    if (Number.isNaN(time))
      return refuse(
        `Line ${line}: \u201c${body[i]![timeAt] ?? ""}\u201d is no time. Hours (12.5) or dates like 2026-01-31 18:30 are understood.`,
      );
    const t = number(body[i]![temperatureAt] ?? "");
    if (Number.isNaN(t)) return refuse(`Line ${line}: \u201c${body[i]![temperatureAt] ?? ""}\u201d is no temperature.`);
    const inC = fromScale(t, said);
    if (inC < -60 || inC > 80)
      return refuse(
        `Line ${line}: ${t} ${said === "F" ? "°F" : "°C"} is no temperature of a room. Is the scale right?`,
      );
    if (i === 0) start = time;
    if (seconds.length > 0 && time - start <= seconds[seconds.length - 1]! && i % every === 0)
      return refuse(`Line ${line}: its time is not later than the one before. Sort the table by time first.`);
    if (i % every === 0) {
      seconds.push(time - start);
      temperatures.push(celsius(inC));
    }
  }
  if (seconds.length < 2) return refuse("This table has fewer than two rows of readings.");
  return read({ name: name.slice(0, 80), seconds, temperatures });
}
