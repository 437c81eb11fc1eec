import fc from "fast-check";
import { describe as describeChamber, tryEdits } from "../chamber";
import type { Edit } from "../model";
import { recordWith } from "../testing/build";
import { boxFit, fewerAiry, isAiry, fitRemedies, layFlat, mostLaid, type Space } from ".";
import { FLAT_AIR, TIGHT, type FlatWanted, type Laid } from "./flat";
import type { Block } from "./solids";

const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as Edit;
const roomOf = (width: number, depth: number, height: number, blocks: Block[] = [], round = false): Space => ({
  width,
  depth,
  height,
  round,
  rim: 0,
  blocks,
  levels: [{ on: "floor", z: 0, x0: 0, x1: width, y0: 0, y1: depth }],
});
const block = (x0: number, x1: number, y0: number, y1: number, z0: number, z1: number, more: Partial<Block> = {}) => ({
  name: "it",
  x0,
  x1,
  y0,
  y1,
  z0,
  z1,
  ...more,
});

/** Air between two blocks along each axis, m; below 0 they lie in one another along it. */
const gaps = (a: Block, b: Block) => [
  Math.max(a.x0 - b.x1, b.x0 - a.x1),
  Math.max(a.y0 - b.y1, b.y0 - a.y1),
  Math.max(a.z0 - b.z1, b.z0 - a.z1),
];
/** The rules once more, by plain distances: each keeps its air to walls, to what is in the way and to the others. */
function lieFree(space: Space, laid: readonly Laid[], air: typeof FLAT_AIR): boolean {
  const near = 1e-7;
  return laid.every(({ block: b }, i) => {
    const centre = space.width / 2;
    const walls = space.round
      ? [b.x0, b.x1].every((x) =>
          [b.y0, b.y1].every((y) => Math.hypot(x - centre, y - centre) <= centre - air.beside + near),
        )
      : b.x0 >= air.beside - near &&
        b.y0 >= air.beside - near &&
        b.x1 <= space.width - air.beside + near &&
        b.y1 <= space.depth - air.beside + near;
    const ends = b.z0 >= air.over - near && b.z1 <= space.height - air.over + near;
    const apart = (other: Block, clear: number, over: number) => {
      const [x, y, z] = gaps(b, other);
      return x! >= clear - near || y! >= clear - near || z! >= over - near;
    };
    return (
      walls &&
      ends &&
      space.blocks.every((o) => apart(o, o.clear ?? air.beside, o.shelf ? 0 : Math.max(o.clear ?? 0, air.over))) &&
      laid.every((o, k) => k === i || apart(o.block, air.beside, air.over))
    );
  });
}

describe("flat things on grids", () => {
  it("in an empty box as many as its measures say, by hand", () => {
    // 0.7 wide: two of 0.3 with 2 cm three times are 0.66; 0.5 deep: one; 1 high: (1 − 0.05) / 0.08 = 11.9.
    expect(mostLaid(roomOf(0.7, 0.5, 1), { side: 0.3, height: 0.03 })).toEqual({ all: 22, layers: 11 });
    // A centimetre too little across and along: one beside the other no more.
    expect(mostLaid(roomOf(0.65, 0.5, 1), { side: 0.3, height: 0.03 })).toEqual({ all: 11, layers: 11 });
    // Without the air that they want: 1.5 cm more than two sides, 4 cm a layer under a centimetre.
    expect(mostLaid(roomOf(0.615, 0.31, 0.41), { side: 0.3, height: 0.03 }, TIGHT)).toEqual({ all: 20, layers: 10 });
  });
  it("in a round box its corners decide: a square of 0.3 wants 0.464 across", () => {
    const round = (d: number) => mostLaid(roomOf(d, d, 0.2, [], true), { side: 0.3, height: 0.03 }).all;
    expect([round(0.46), round(0.48)]).toEqual([0, 1]);
  });
  it("over the hump none is lost, under a plate and beside a heater as much as they keep", () => {
    const tray = { side: 0.3, height: 0.03 };
    // 0.65 deep, of which the hump leaves 0.37: one in front of it, two over it (0.3 high, a hand over it).
    const hump = roomOf(0.4, 0.66, 1, [block(0, 0.4, 0, 0.28, 0, 0.3)]);
    // By hand: layers at 5, 13 and 21 cm beside it, 29 still beside; from 35 on over it, (100 − 5 − 37) / 8 = 7 more.
    expect(mostLaid(hump, tray)).toEqual({ all: 4 + 2 * 7, layers: 11 });
    // A heater in the middle of the floor that keeps 10 cm on all sides: from 25 cm on, (100 − 5 − 25 + 5) / 8 = 9.
    const heater = roomOf(0.5, 0.5, 1, [block(0.2, 0.3, 0.2, 0.3, 0.05, 0.15, { clear: 0.1 })]);
    expect(mostLaid(heater, tray)).toEqual({ all: 9, layers: 9 });
    // Directly on a shelf, and a hand under it: one at 5 cm, then from 20 cm on (100 − 5 − 20 + 5) / 8 = 10.
    const shelf = roomOf(0.5, 0.5, 1, [block(0, 0.5, 0, 0.5, 0.18, 0.2, { shelf: true })]);
    expect(mostLaid(shelf, tray)).toEqual({ all: 11, layers: 11 });
    // Not through an opening that is narrower than they are.
    expect(mostLaid({ ...roomOf(0.5, 0.5, 1), rim: 0.11 }, tray).all).toBe(0);
  });
  it("in any box with anything in the way, two kinds of them: each keeps its air, and an empty box takes no fewer", () => {
    const length = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        fc.tuple(length(0.3, 0.9), length(0.3, 0.9), length(0.2, 1.2), fc.boolean()),
        fc.array(
          fc.tuple(length(0, 0.8), length(0, 0.8), length(0, 1), length(0.03, 0.4), length(0, 0.1), fc.boolean()),
          { maxLength: 4 },
        ),
        fc.array(fc.tuple(length(0.1, 0.4), length(0.02, 0.1), fc.integer({ min: 1, max: 30 })), {
          minLength: 1,
          maxLength: 2,
        }),
        fc.constantFrom(FLAT_AIR, TIGHT),
        ([width, depth, height, round], things, kinds, air) => {
          const blocks = things.map(([x, y, z, size, clear, own]) =>
            block(x, x + size, y, y + size, z, z + size, own ? { clear } : {}),
          );
          const space = roomOf(width, round ? width : depth, height, blocks, round);
          const wanted = kinds.map(([side, high, count], i): FlatWanted => ({
            id: `v${i}`,
            name: "",
            side,
            height: high,
            count,
          }));
          const laid = layFlat(space, [], wanted, air);
          expect(lieFree(space, laid, air)).toBe(true);
          for (const { id, count } of wanted) expect(laid.filter((l) => l.id === id).length).toBeLessThanOrEqual(count);
          const first = wanted[0]!;
          expect(mostLaid({ ...space, blocks: [] }, first, air).all).toBeGreaterThanOrEqual(
            mostLaid(space, first, air).all,
          );
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe("trays in a chamber", () => {
  const trays = (...edits: Edit[]) =>
    recordWith(edit("vessel", "form", "tray"), edit("vessel", "volume", 0.0018), ...edits);
  const fitOf = (...edits: Edit[]) => boxFit(describeChamber(trays(...edits)));
  it("one too wide for the box does not fit, whatever its volume says", () => {
    // By hand: 20 L of 3 cm are 0.82 m square, and the box is 0.5 m wide and deep.
    const wide = fitOf(edit("vessel", "volume", 0.02));
    expect(wide.fits).toBe(false);
    expect(wide.shorts[0]).toMatchObject({ crowded: false, height: 0 });
    expect(wide.shorts[0]!.width).toBeGreaterThan(0.2);
    expect(fitOf(edit("vessel", "volume", 0.02), edit("vessel", "bodyWidth", 0.4)).fits).toBe(true);
  });
  it("more than lie with air around them go in close together; more than that do not, and fewer are offered that do", () => {
    const measures = [edit("vessel", "bodyWidth", 0.4), edit("vessel", "bodyHeight", 0.05)];
    // By hand, 1.5 m high: (1.5 − 0.05) / 0.1 = 14 with air, (1.5 − 0.01) / 0.06 = 24 without.
    const at = (count: number) => fitOf(...measures, edit("vessel", "count", count));
    expect([14, 15, 24, 25].map((n) => [at(n).fits, isAiry(at(n))])).toEqual([
      [true, true],
      [true, false],
      [true, false],
      [false, false],
    ]);
    // As much as leaves a place to all: 20 of them with 2.2 cm over each, by hand (1.5 − 20 · 0.05) / 21 = 2.4.
    expect(at(20).air.over).toBeGreaterThan(0.018);
    expect(at(20).air.over).toBeLessThanOrEqual(0.5 / 21 + 1e-9);
    expect(at(25).shorts[0]).toMatchObject({ crowded: true, laid: 24 });
    const record = trays(...measures, edit("vessel", "count", 25));
    const chamber = describeChamber(record);
    expect(fewerAiry(chamber)).toMatchObject({ count: 14 });
    const fewer = fitRemedies(chamber).find((r) => r.kind === "fewer")!;
    expect(fewer.amount).toBe(24);
    const tried = tryEdits(record, fewer.edits);
    expect(tried.ok && boxFit(describeChamber(tried.value)).fits).toBe(true);
  });
  it("a heater fixed inside takes their place, and out of the way is among what helps", () => {
    const heater = { kind: "heater", x: 0.1, y: 0.1, z: 0, width: 0.3, depth: 0.3, height: 0.9, clear: 0.05 };
    const record = trays(
      edit("vessel", "bodyWidth", 0.4),
      edit("vessel", "bodyHeight", 0.05),
      edit("vessel", "count", 14),
      edit("build", "things", [heater]),
    );
    const chamber = describeChamber(record);
    expect(boxFit(chamber)).toMatchObject({ fits: false });
    expect(fitRemedies(chamber).map((r) => r.kind)).toContain("thing");
  });
});
