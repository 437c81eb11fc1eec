import Papa from "papaparse";
import { plainTrial, planned, recordWith } from "../testing/build";
import { runTrial } from "../trial";
import { ASK_UNIT, readRoomCsv, RoomReader, traceCsv } from ".";

describe("a recorded room from a table", () => {
  it.each<[string, string, "C" | "F", number[], number[]]>([
    ["hours and °C", "hours,temperature\n0,10\n1.5,12.5\n", "C", [0, 5400], [10, 12.5]],
    [
      "dates, semicolons, decimal commas",
      "Zeit;Temp. °C\n2026-01-01 18:00;-3,5\n2026-01-02 06:00;2,25",
      "C",
      [0, 43_200],
      [-3.5, 2.25],
    ],
    [
      "°F by its heading, columns the other way round",
      "room °F\ttime\n50\t2026-01-01T00:00\n68\t2026-01-01T01:00",
      "C",
      [0, 3600],
      [10, 20],
    ],
    ["no heading, the scale on show", "0,50\n2,68", "F", [0, 7200], [10, 20]],
    ["minutes by their heading", "time (min),t\n0,10\n90,12", "C", [0, 5400], [10, 12]],
    ["seconds by their heading", "t_s,temp\n0,10\n90,12", "C", [0, 90], [10, 12]],
    ["days by their heading", "days;temp\n0;10\n1,5;12", "C", [0, 129_600], [10, 12]],
    // 1767225600 is 2026-01-01T00:00Z, by the definition of POSIX time.
    ["seconds since 1970", "1767225600,10\n1767229200,12", "C", [0, 3600], [10, 12]],
    ["milliseconds since 1970", "timestamp,t\n1767225600000,10\n1767225660000,12", "C", [0, 60], [10, 12]],
    [
      "morning and evening",
      "time,t\n2026-01-01 11:30 AM,10\n2026-01-01 12:30 PM,11\n2026-01-02 12:00 am,12",
      "C",
      [0, 3600, 45_000],
      [10, 11, 12],
    ],
    [
      "zones, over the night of a change of clocks",
      "time,t\n2026-03-29T01:30:00+01:00,10\n2026-03-29T03:30:00+02:00,11",
      "C",
      [0, 3600],
      [10, 11],
    ],
    ["a leap day", "time,t\n2028-02-28 12:00,10\n2028-02-29 12:00,11", "C", [0, 86_400], [10, 11]],
    [
      "a leap second at the end of a year",
      "time,t\n2016-12-31 23:59:58,10\n2016-12-31 23:59:60,11",
      "C",
      [0, 2],
      [10, 11],
    ],
    ["midnight as 24:00", "time,t\n2026-01-31 23:00,10\n2026-01-31 24:00,11", "C", [0, 3600], [10, 11]],
  ])("%s", (_, text, scale, seconds, temperatures) => {
    const series = readRoomCsv(text, "cellar.csv", scale, "h");
    if (!series.ok) throw new Error(series.problem);
    expect(series.value.seconds).toEqual(seconds);
    series.value.temperatures.forEach((t, i) => expect(t).toBeCloseTo(temperatures[i]!, 9));
  });
  it.each([
    ["one column", "10\n11\n12", /only one column/],
    ["one row", "0,10", /fewer than two/],
    ["a word for a time", "0,10\nnoon,11", /Line 2.*noon/],
    ["a word for a temperature", "h,t\n0,10\n1,cold", /Line 3.*cold/],
    ["going back in time", "0,10\n2,11\n1,12", /Line 3.*not later/],
    ["an oven", "0,10\n1,400", /Line 2.*no temperature of a room/],
    ["a day that there is not", "time,t\n2026-02-27,10\n2026-02-31,11", /Line 3.*2026-02-31.*no time/],
    ["a clock that there is not", "time,t\n2026-02-27 10:00,10\n2026-02-27 25:99,11", /Line 3.*25:99.*no time/],
    ["half past thirteen in the afternoon", "time,t\n2026-02-27 10:00,10\n2026-02-27 13:30 PM,11", /Line 3.*no time/],
    [
      "a zone here and none there",
      "time,t\n2026-02-27T10:00Z,10\n2026-02-27 11:00,11",
      /Line 3.*does not say its zone/,
    ],
    ["something behind the time", "time,t\n2026-02-27 10:00,10\n2026-02-27 11:00 or so,11", /Line 3.*no time/],
    ["a lifetime", "2026-01-01,10\n2037-01-01,12", /Line 2.*more than ten years/],
  ])("says what is wrong: %s", (_, text, words) => {
    const series = readRoomCsv(text, "x.csv", "C", "h");
    expect(!series.ok && series.problem).toMatch(words);
  });
  it("asks what its times count where nothing says it, and takes the answer", () => {
    const text = "time,temp\n0,10\n90,12";
    expect(readRoomCsv(text, "x.csv", "C")).toEqual({ ok: false, problem: ASK_UNIT });
    const minutes = readRoomCsv(text, "x.csv", "C", "min");
    expect(minutes.ok && minutes.value.seconds).toEqual([0, 5400]);
    // What the table says itself stands before the answer.
    const said = readRoomCsv("time (h),temp\n0,10\n2,12", "x.csv", "C", "min");
    expect(said.ok && said.value.seconds).toEqual([0, 7200]);
  });
  it("keeps every reading of a long record", () => {
    const long = Array.from({ length: 20_000 }, (_, i) => `${i / 60},${10 + Math.sin(i / 500)}`).join("\n");
    const series = readRoomCsv(long, "long.csv", "C", "h");
    expect(series.ok && series.value.seconds.length).toBe(20_000);
  });
});

describe("a recorded room in pieces", () => {
  const rows = Array.from({ length: 30_000 }, (_, i) => `${i / 360};${(10 + 5 * Math.sin(i / 5000)).toFixed(2)}`);
  const text = ["h;°C", ...rows, ""].join("\r\n");
  const inPieces = (table: string, size: number) => {
    const seconds: number[] = [];
    const temperatures: number[] = [];
    const reader = new RoomReader("C", (s, t) => {
      seconds.push(s);
      temperatures.push(t);
    });
    for (let at = 0; at < table.length; at += size) {
      const problem = reader.push(table.slice(at, at + size));
      if (problem) return { ok: false as const, problem };
    }
    const problem = reader.finish();
    return problem
      ? { ok: false as const, problem }
      : { ok: true as const, value: { name: "x", seconds, temperatures } };
  };

  it.each([7919, 50_000, 1e9])("is the same as in one go, however it is cut (%i letters)", (size) => {
    const whole = readRoomCsv(text, "x", "C");
    expect(inPieces(text, size)).toEqual(whole);
    if (!whole.ok) throw new Error(whole.problem);
    // Every row, as it stood in the table.
    expect(whole.value.seconds).toHaveLength(rows.length);
    expect(whole.value.temperatures).toEqual(rows.map((row) => Number(row.split(";")[1])));
    expect(whole.value.seconds.every((s, i) => Math.abs(s - 10 * i) < 1e-6)).toBe(true);
  });

  it("says the line in which something is wrong, in whichever piece it stands", () => {
    const wrong = text.replace(rows[20_000]!, "55.6;warm");
    expect(inPieces(wrong, 4096)).toEqual({ ok: false, problem: "Line 20002: \u201cwarm\u201d is no temperature." });
    const back = text.replace(rows[20_000]!, "1;10");
    expect(inPieces(back, 4096)).toMatchObject({
      problem: expect.stringMatching(/Line 20002: its time is not later/) as unknown,
    });
  });
});

describe("a trace as a table", () => {
  it("reads back to the same figures", () => {
    const { chamber, settings } = planned(recordWith());
    const { trace } = runTrial(plainTrial(chamber, settings, 1), 24);
    const table = Papa.parse<Record<string, string>>(traceCsv(trace, chamber, "F"), { header: true });
    expect(table.errors).toEqual([]);
    expect(table.data).toHaveLength(24);
    table.data.forEach((row, i) => {
      expect(Number(row["product highest (F)"])).toBeCloseTo(trace.high.product[i]! * 1.8 + 32, 1);
      expect(Number(row["heat on (%)"])).toBeCloseTo(trace.heat[i]! * 100, 0);
      expect(Number(row["relative humidity usual (%)"])).toBeCloseTo(trace.humidity!.usual[i]! * 100, 0);
    });
    expect(Object.keys(table.data[0]!)).toContain("evaporator lowest (F)");
  });
});
