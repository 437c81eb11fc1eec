import { jobEdits, jobs, newChamber } from "../chamber";
import { applyEdits, chamberRecord, type Edit } from "../model";
import { kelvins } from "../quantity";
import { planOf, runTrial, trialOf, mainsOf } from "../trial";
import { alternatives, otherBoxes, seasonsIn, twoSmall } from ".";
import type { ChamberRecord } from "../model";
import { describe as described } from "../chamber";

const edit = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
const of = (job: string, box: "upright" | "chest" | "foam" | "kettle", ...edits: Edit[]) =>
  applyEdits(newChamber("a", "A", "2026-01-01T00:00:00.000Z"), [
    ...jobEdits(
      jobs.find((j) => j.id === job)!,
      box,
    ),
    ...edits,
  ]);

const boxesOf = (record: ChamberRecord) => otherBoxes(record).filter((o) => "record" in o);

describe("other ways to do the same", () => {
  it("a fridge is held against a freezer and foam, each a record that can be stored, with what is usual there", () => {
    const all = boxesOf(of("ale", "upright"));
    expect(all.map((a) => a.id)).toEqual(["chest", "foam"]);
    for (const { record } of all) expect(chamberRecord.safeParse(record).success).toBe(true);
    const foam = described(all[1]!.record);
    // The same bucket, and a box that is cut to it.
    expect(foam.vessels[0]).toMatchObject({ form: "bucket", volume: 0.023 });
    expect(all[1]!.fits).toBe(true);
    expect(foam.cabinet.height).toBeGreaterThan(0.45);
    const short = boxesOf(of("ale", "upright", edit("vessel", "volume", 0.06))).find((a) => a.id === "chest")!;
    expect(short.fits).toBe(false);
    expect(foam.coolers[0]!.kind).toBe("peltier");
    expect(foam.stages[0]!.low).toBe(described(of("ale", "upright")).stages[0]!.low);
  });

  it("what cannot be built is left out with its reason, and the rest stands", () => {
    const { ways, leftOut } = alternatives(of("ale", "upright", edit("vessel", "count", 50)));
    expect(ways.map((a) => a.id)).toEqual(["now", "chest"]);
    expect(leftOut).toEqual([
      { label: "Box of foam, made to fit", why: expect.stringContaining("longer than 3") as string },
    ]);
    for (const measure of [0.3, 3]) {
      const all = (["width", "height", "depth"] as const).map((field) => edit("cabinet", field, measure));
      expect(alternatives(of("ale", "upright", edit("vessel", "count", 2), ...all)).ways.length).toBeGreaterThan(0);
    }
  });

  it("two small ones take what one large one has, in less than its room each, and lose half of it at once", () => {
    const record = of("ale", "upright", edit("vessel", "count", 2), edit("vessel", "volume", 0.012));
    const two = twoSmall(record)!;
    expect([two.times, two.each, two.all, two.together]).toEqual([2, 1, 2, 1]);
    expect(two.fits).toBe(true);
    const [now] = alternatives(record).ways;
    expect(two.outside / 2).toBeLessThan(now!.outside);
    expect(two.ground).toBeCloseTo(2 * described(two.record).cabinet.width * described(two.record).cabinet.depth, 9);
  });

  it("of one vessel nothing can be shared out, and a kettle has no other box", () => {
    expect(twoSmall(of("ale", "upright"))).toBeNull();
    expect(alternatives(of("mash", "kettle")).ways.map((a) => a.id)).toEqual(["now"]);
  });

  it("an odd number goes as the larger half, and several entries are halved each", () => {
    const record = of("ale", "upright", edit("vessel", "count", 3), edit("vessel", "volume", 0.004));
    expect(twoSmall(record)!.each).toBe(2);
  });
});

describe("the seasons of a chamber", () => {
  it("shift its room by what is said, and make a whole year", () => {
    const seasons = seasonsIn(
      of("ale", "upright", edit("room", "winter", kelvins(-7)), edit("room", "summer", kelvins(4))),
    );
    const rooms = seasons.map((s) => described(s.record).room);
    expect(rooms[0]!.low - rooms[1]!.low).toBeCloseTo(-7, 9);
    expect(rooms[2]!.high - rooms[1]!.high).toBeCloseTo(4, 9);
    expect(seasons.reduce((sum, s) => sum + s.share, 0)).toBe(1);
    expect(new Set(seasons.map((s) => s.record.id)).size).toBe(3);
  });

  it("a colder winter takes more of a heated box", () => {
    const seasons = seasonsIn(of("honey", "upright"));
    const [winter, between] = seasons.map((s) => mainsOf(runTrial(trialOf(planOf(s.record), 3))));
    expect(winter).toBeGreaterThan(between!);
  });
});
