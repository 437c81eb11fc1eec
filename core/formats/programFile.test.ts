import Ajv2020 from "ajv/dist/2020";
import { readFileSync } from "node:fs";
import fc from "fast-check";
import {
  describe as describeChamber,
  differsFrom,
  newChamber,
  programOf,
  takeProgram,
  tryChange,
  tryEdits,
  usualPrograms,
} from "../chamber";
import { applyEdits, publishedProgramSchema, type Edit, type ProgramContents } from "../model";
import { celsius } from "../quantity";
import { blows, notFinite, struck } from "../testing/mutate";
import { planOf } from "../trial";
import { readPrograms, writePrograms } from ".";

const usual = usualPrograms().map((p) => p.contents);
const schema = JSON.parse(readFileSync("public/schema/programs-1.json", "utf8")) as object;
const fresh = newChamber("a", "A", "2026-01-01T00:00:00.000Z");

describe("programs as a file", () => {
  it("every one of the library comes back as it was, and fits the published schema, by a validator that is not ours", () => {
    const read = readPrograms(writePrograms(usual));
    expect(read).toEqual({ ok: true, value: { programs: usual, refused: [] } });
    expect(schema).toEqual(JSON.parse(JSON.stringify(publishedProgramSchema())));
    const valid = new Ajv2020({ strict: false, validateFormats: false }).compile(schema);
    expect(valid(JSON.parse(writePrograms(usual)))).toBe(true);
    expect(valid({ format: "gentle-crock-programs", version: 1, programs: [{ name: 3 }] })).toBe(false);
  });
  it("out of a chamber, into a file, and into another chamber: the same stages and bands", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...usual),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        fc.nat(40),
        (program, wide, days) => {
          const kind: Edit = { section: "product", field: "kind", value: program.product };
          const first = tryChange(applyEdits(fresh, [kind]), takeProgram(program, { id: "usual-x", revision: 0 }));
          if (!first.ok) throw new Error(first.problem);
          const low = describeChamber(first.value).stages[0]!.low;
          const tried = tryEdits(first.value, [
            { section: "stage", field: "high", id: program.stages[0]!.id, value: celsius(low + wide) },
            {
              section: "stage",
              field: "tasks",
              id: program.stages[0]!.id,
              value: [{ id: "t1", name: "Weigh", from: "beginning", seconds: days * 86_400, every: 0 }],
            },
          ]);
          if (!tried.ok) throw new Error(tried.problem);
          const moved = tried.value;
          const own = programOf(describeChamber(moved), "Mine");
          const back = readPrograms(writePrograms([own]));
          if (!back.ok) throw new Error(back.problem);
          const other = tryChange(
            applyEdits(fresh, [kind]),
            takeProgram(back.value.programs[0]!, { id: "p", revision: 3 }),
          );
          if (!other.ok) throw new Error(other.problem);
          expect(describeChamber(other.value).stages).toEqual(describeChamber(moved).stages);
          expect(differsFrom(describeChamber(other.value), own)).toEqual([]);
        },
      ),
      { numRuns: 40 },
    );
  });
  it("each comes in whole or is refused by name with its reason", () => {
    const [good] = usual;
    const broken = {
      ...good!,
      name: "Cellar ale",
      stages: [{ id: "s1", stage: { low: { value: 900, origin: "typed" } } }],
    };
    const probe = {
      ...good!,
      name: "Waits for gear",
      stages: [
        {
          id: "s1",
          stage: {
            ends: {
              value: [
                {
                  kind: "reaches",
                  observable: { of: "probe", id: "p1", name: "temperature" },
                  comparison: "atLeast",
                  value: 3,
                  heldFor: 0,
                },
              ],
              origin: "typed",
            },
          },
        },
      ],
    };
    const read = readPrograms(writePrograms([broken as ProgramContents, good!, probe as ProgramContents]));
    if (!read.ok) throw new Error(read.problem);
    expect(read.value.programs).toEqual([good]);
    expect(read.value.refused[0]).toMatch(/Cellar ale.*stages › 0 › stage › low.*No more than 150/);
    expect(read.value.refused[1]).toMatch(/Waits for gear.*the product/);
  });
  it.each([
    ["{", /not JSON/],
    ["[]", /no file of programs/],
    [JSON.stringify({ format: "gentle-crock-programs", version: 9, programs: [] }), /newer/],
    [JSON.stringify({ format: "gentle-crock-programs", version: 1 }), /has none/],
    [JSON.stringify({ format: "gentle-crock-programs", version: 1, programs: Array(201).fill(null) }), /201/],
  ])("says what is wrong with %s", (text, says) => {
    const read = readPrograms(text);
    expect(read.ok ? "" : read.problem).toMatch(says);
  });
  it("of 300 damaged ones each is refused by name, or stands in a chamber whose numbers are finite", () => {
    let taken = 0;
    fc.assert(
      fc.property(fc.constantFrom(...usual), blows, (program, all) => {
        const bad = struck(program, all) as ProgramContents;
        const read = readPrograms(JSON.stringify({ format: "gentle-crock-programs", version: 1, programs: [bad] }));
        if (!read.ok) throw new Error(read.problem);
        const [whole] = read.value.programs;
        if (!whole) {
          expect(read.value.refused).toHaveLength(1);
          return;
        }
        const kind: Edit = { section: "product", field: "kind", value: whole.product };
        const tried = tryChange(applyEdits(fresh, [kind]), takeProgram(whole, { id: "p", revision: 0 }));
        if (!tried.ok) {
          expect(tried.problem).not.toBe("");
          return;
        }
        taken++;
        const { stages } = planOf(tried.value);
        expect(notFinite(stages.map((st) => st.controls.map((c) => [c.settings, c.switching])))).toEqual([]);
      }),
      { numRuns: 300, seed: 20_261_127 },
    );
    expect(taken).toBeGreaterThan(0);
  });
});
