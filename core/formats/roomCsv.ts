import Papa from "papaparse";
import { recordedLimits, type RoomSeries } from "../model";
import { number } from "./cells";
import { dated, momentIn, unitBySize, unitNamed, type TimeUnit } from "./moments";
import { celsius, fromScale, read, refuse, type Read, type Scale } from "../quantity";

/** Most readings of a recorded room: ten years at twenty seconds. */
const MOST = 16_000_000;

const timeWords = /time|date|zeit|hour|stunde|uhr|moment/i;
const temperatureWords = /temp|°|celsius|fahrenheit|grad|deg|^[cf]$/i;
const fahrenheit = /fahrenheit|°\s*f|\(f\)|\bf\b|_f$/i;

/** Said where numbers stand for times and nothing tells what they count: whoever chose the table is asked. */
export const ASK_UNIT =
  "Nothing in this table says whether its times are hours, minutes or seconds. Say which, or name it in its first line, as \u201ctime (min)\u201d.";

/** Which column is what, and from which line on the readings begin. */
interface Columns {
  delimiter: string;
  time: number;
  temperature: number;
  scale: Scale;
  /** What numbers in the column of times count. */
  unit: TimeUnit;
  /** A first line that names the columns. */
  heading: boolean;
}

/** Finds out what is what in a table from its first lines; says what is missing. */
function columnsOf(sample: string, scale: Scale, asked: TimeUnit | undefined): Read<Columns> {
  // Papa's guess counts commas first; a decimal comma in a table with semicolons must not mislead it.
  const firstLine = sample.split(/\r?\n/).find((l) => l.trim()) ?? "";
  const delimiter = [";", "\t", ","].find((d) => firstLine.includes(d)) ?? ",";
  const rows = Papa.parse<string[]>(sample, { delimiter, skipEmptyLines: "greedy", preview: 21 }).data;
  const first = rows[0] ?? [];
  const isTime = (cell: string) => Number.isFinite(number(cell)) || dated(cell) !== null;
  const heading = first.some((cell) => cell.trim() !== "" && !isTime(cell));
  const body = heading ? rows.slice(1) : rows;
  if (body.length < 2)
    return refuse("This table has fewer than two rows of readings: a time and a temperature in each.");
  if (Math.max(...body.map((r) => r.length)) < 2)
    return refuse(
      "There is only one column. A time and a temperature are needed, with a comma, semicolon or tab between them.",
    );
  const named = (words: RegExp) => (heading ? first.findIndex((cell) => words.test(cell)) : -1);
  const time = Math.max(0, named(timeWords));
  const temperatureNamed = first.findIndex((cell, i) => i !== time && heading && temperatureWords.test(cell));
  const temperature = temperatureNamed >= 0 ? temperatureNamed : time === 0 ? 1 : 0;
  const counted = number(body[0]![time] ?? "");
  const unit = Number.isFinite(counted)
    ? ((heading ? unitNamed(first[time] ?? "") : null) ?? unitBySize(counted) ?? asked)
    : "h";
  if (!unit) return refuse(ASK_UNIT);
  const said: Scale = heading && fahrenheit.test(first[temperature] ?? "") ? "F" : scale;
  return read({ delimiter, time, temperature, scale: said, unit, heading });
}

/** Letters at the beginning of a table that are enough to see what is what in it. */
const SAMPLE = 20_000;

/**
 * Reads a recorded room from a table piece by piece, so that a long one need not be held as a whole: one column of times
 * (hours, or dates with clock times) and one of temperatures. The first time becomes the start of the trial. Says in
 * which line something is wrong.
 */
export class RoomReader {
  private columns: Columns | null = null;
  private rest = "";
  private line = 0;
  /** The line that names the columns has gone by. */
  private headed = false;
  /** Readings taken so far. */
  rows = 0;
  private start = NaN;
  private zoned = false;
  /** The first and the last moment, as they stand in the table. */
  readonly ends: [first: string, last: string] = ["", ""];
  private last = -Infinity;

  /**
   * @param scale of the temperatures where the heading does not say it
   * @param asked what numbers in the column of times count, where nothing in the table says it
   * @param keep gets each reading: s from the first, °C
   */
  constructor(
    private readonly scale: Scale,
    private readonly keep: (seconds: number, temperature: number) => void,
    private readonly asked?: TimeUnit,
  ) {}

  /** Takes a piece of the table; a sentence comes back where something in it is wrong. */
  push(text: string): string | null {
    this.rest += text;
    if (!this.columns) {
      if (this.rest.length < SAMPLE) return null;
      const found = columnsOf(this.rest, this.scale, this.asked);
      if (!found.ok) return found.problem;
      this.columns = found.value;
    }
    const end = this.rest.lastIndexOf("\n") + 1;
    const whole = this.rest.slice(0, end);
    this.rest = this.rest.slice(end);
    return this.take(whole);
  }

  /** The table is at its end; a sentence comes back where something in it is wrong. */
  finish(): string | null {
    if (!this.columns) {
      const found = columnsOf(this.rest, this.scale, this.asked);
      if (!found.ok) return found.problem;
      this.columns = found.value;
    }
    const problem = this.take(this.rest);
    if (problem) return problem;
    return this.rows < 2 ? "This table has fewer than two rows of readings." : null;
  }

  private take(text: string): string | null {
    if (text === "") return null;
    const { delimiter, time, temperature, heading } = this.columns!;
    for (const row of Papa.parse<string[]>(text, { delimiter }).data) {
      const line = ++this.line;
      if (row.every((cell) => cell.trim() === "")) continue;
      if (heading && !this.headed) {
        this.headed = true;
        continue;
      }
      const problem = this.reading(row[time] ?? "", row[temperature] ?? "", line);
      if (problem) return problem;
    }
    // Each piece ends behind a line break, and the parser makes an empty line of what follows it.
    if (text.endsWith("\n")) this.line--;
    return null;
  }

  private reading(timeText: string, temperatureText: string, line: number): string | null {
    const { scale, unit } = this.columns!;
    const moment = momentIn(timeText, unit);
    if (!moment)
      return `Line ${line}: \u201c${timeText}\u201d is no time. Numbers (12.5), or dates that there are, like 2026-01-31 18:30, are understood.`;
    const time = moment.seconds;
    if (this.rows > 0 && moment.zoned !== this.zoned)
      return `Line ${line}: \u201c${timeText}\u201d ${moment.zoned ? "says" : "does not say"} its zone, and the lines before ${moment.zoned ? "do not" : "do"}. Write all of them alike.`;
    const t = number(temperatureText);
    if (Number.isNaN(t)) return `Line ${line}: \u201c${temperatureText}\u201d is no temperature.`;
    const inC = fromScale(t, scale);
    if (inC < recordedLimits.low || inC > recordedLimits.high)
      return `Line ${line}: ${t} ${scale === "F" ? "°F" : "°C"} is no temperature of a room. Is the scale right?`;
    if (this.rows === 0) {
      this.start = time;
      this.zoned = moment.zoned;
      this.ends[0] = timeText.trim();
    }
    const at = time - this.start;
    if (at <= this.last)
      return `Line ${line}: its time is not later than the one before. Sort the table by time first.`;
    if (at > recordedLimits.longest)
      return `Line ${line}: it is more than ten years after the first. Is the time right?`;
    if (this.rows >= MOST)
      return `Line ${line}: these are more than ${MOST.toLocaleString("en")} readings. Take a shorter part of the table.`;
    this.last = at;
    this.ends[1] = timeText.trim();
    this.rows++;
    this.keep(at, inC);
    return null;
  }
}

/** The same of a short table that is at hand as a whole. */
export function readRoomCsv(text: string, name: string, scale: Scale, asked?: TimeUnit): Read<RoomSeries> {
  const series: RoomSeries = { name: name.slice(0, 80), seconds: [], temperatures: [] };
  const reader = new RoomReader(
    scale,
    (seconds, temperature) => {
      series.seconds.push(seconds);
      series.temperatures.push(celsius(temperature));
    },
    asked,
  );
  const problem = reader.push(text) ?? reader.finish();
  return problem ? refuse(problem) : read(series);
}
