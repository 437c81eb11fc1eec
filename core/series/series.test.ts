import fc from "fast-check";
import {
  BLOCK_ROWS,
  blockOf,
  blocksFor,
  bytesOf,
  CELL_ROWS,
  envelopeOf,
  extremesOf,
  flawOf,
  rowsOf,
  SeriesWriter,
  type SeriesBlock,
  type SeriesColumn,
  type SeriesNotes,
} from ".";

const one: SeriesColumn[] = [{ name: "room", unit: "degC" }];
const two: SeriesColumn[] = [...one, { name: "humidity", unit: "percent" }];

/** Rows with gaps and a lone peak, and what a store would hold of them. */
function series(rows: number, columns = one, from = 0) {
  const writer = new SeriesWriter(columns);
  const seconds: number[] = [];
  const values: number[][] = columns.map(() => []);
  let at = from;
  for (let i = 0; i < rows; i++) {
    at += i % 977 === 976 ? 40_000 : 10;
    seconds.push(at);
    const row = columns.map((_, c) => Math.fround(i === 12_345 ? 55 : 10 + 5 * Math.sin(i / 300 + c) + c * 20));
    row.forEach((v, c) => values[c]!.push(v));
    writer.append(at, ...row);
  }
  const { blocks, notes } = writer.take();
  return { seconds, values, notes, blocks: new Map(blocks.map((b) => [b.index, b.block])) };
}

/** The lowest and highest of each bin by a plain loop over all rows. */
function plainly(seconds: number[], values: number[], from: number, to: number, bins: number, slack = 0) {
  return Array.from({ length: bins }, (_, b) => {
    const width = (to - from) / bins;
    const inside = values.filter(
      (_v, i) =>
        seconds[i]! >= from + b * width - slack &&
        (seconds[i]! < from + (b + 1) * width + slack || (b === bins - 1 && seconds[i]! <= to)),
    );
    return inside.length ? [Math.min(...inside), Math.max(...inside)] : [NaN, NaN];
  });
}

const pairs = ({ low, high }: { low: Float32Array; high: Float32Array }) => Array.from(low, (l, i) => [l, high[i]!]);

describe("a series in blocks", () => {
  it("holds what was put in, wherever it is taken and begun again", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9000 }), { minLength: 1, maxLength: 5 }),
        fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
        (pieces, anew) => {
          let writer = new SeriesWriter(two);
          const blocks = new Map<number, SeriesBlock>();
          let notes: SeriesNotes = { columns: two, blocks: [] };
          let row = 0;
          pieces.forEach((rows, k) => {
            for (let i = 0; i < rows; i++, row++) writer.append(row * 10, row, 0 - row);
            const taken = writer.take();
            for (const { index, block } of taken.blocks) blocks.set(index, block);
            notes = taken.notes;
            // As after a reload: from what lies in the store alone.
            if (anew[k]) writer = new SeriesWriter(two, { notes, last: blocks.get(notes.blocks.length - 1)! });
            expect(writer.rows).toBe(row);
          });
          expect(rowsOf(notes)).toBe(row);
          expect(notes.blocks.map((b) => b.rows)).toEqual(
            Array.from({ length: Math.ceil(row / BLOCK_ROWS) }, (_, i) => Math.min(BLOCK_ROWS, row - i * BLOCK_ROWS)),
          );
          const all = notes.blocks.map((_, i) => blocks.get(i)!);
          const counted = Array.from({ length: row }, (_, i) => i);
          expect(all.flatMap((b) => [...b.seconds])).toEqual(counted.map((i) => i * 10));
          expect(all.flatMap((b) => [...b.columns[0]!])).toEqual(counted);
          expect(all.flatMap((b) => [...b.columns[1]!])).toEqual(counted.map((i) => 0 - i));
        },
      ),
      { numRuns: 12, seed: 20_261_127 },
    );
  });

  it("hands each full block over once, and the one that grows as it stands", () => {
    const writer = new SeriesWriter(one);
    for (let i = 0; i < BLOCK_ROWS + 5; i++) writer.append(i, i);
    expect(writer.take().blocks.map((b) => [b.index, b.block.seconds.length])).toEqual([
      [0, BLOCK_ROWS],
      [1, 5],
    ]);
    expect(writer.take().blocks).toEqual([]);
    writer.append(BLOCK_ROWS + 5, 1);
    expect(writer.take().blocks.map((b) => [b.index, b.block.seconds.length])).toEqual([[1, 6]]);
  });

  it.each<[string, number, number[]]>([
    ["a time that is not later", 10, [1]],
    ["a time that is no number", NaN, [1]],
    ["a reading that is no number", 20, [NaN]],
    ["a reading without end", 20, [Infinity]],
    ["a reading too many", 20, [1, 2]],
  ])("keeps nothing of a row with %s", (_, at, values) => {
    const writer = new SeriesWriter(one);
    writer.append(10, 5);
    expect(() => writer.append(at, ...values)).toThrow(RangeError);
    writer.append(11, 6);
    const { blocks, notes } = writer.take();
    expect([...blocks[0]!.block.seconds]).toEqual([10, 11]);
    expect(notes.blocks[0]).toMatchObject({ rows: 2, from: 10, to: 11 });
  });
});

describe("a stretch of a series in bins", () => {
  const made = series(40_000, two);
  const end = made.seconds.at(-1)!;

  it.each([
    ["all of it", 0, end, 300],
    ["a week in the middle", end / 3, end / 3 + 604_800, 137],
    ["an hour", 50_000, 53_600, 60],
    ["before its beginning and behind its end", -5000, end + 5000, 97],
  ])("is that of a plain loop over the rows, where the blocks have been read: %s", (_, from, to, bins) => {
    for (const column of [0, 1]) {
      const drawn = envelopeOf(made.notes, column, { from, to, bins }, made.blocks);
      expect(pairs(drawn)).toEqual(plainly(made.seconds, made.values[column]!, from, to, bins));
    }
  });

  it("hides nothing and strays by a cell at the most, where they have not", () => {
    const cells = made.notes.blocks.flatMap((b) => [...b.starts, b.to]);
    const widest = Math.max(...cells.slice(1).map((s, i) => s - cells[i]!));
    const exact = plainly(made.seconds, made.values[0]!, 0, end, 50);
    const near = plainly(made.seconds, made.values[0]!, 0, end, 50, widest);
    pairs(envelopeOf(made.notes, 0, { from: 0, to: end, bins: 50 })).forEach(([low, high], i) => {
      expect(low).toBeLessThanOrEqual(exact[i]![0]!);
      expect(high).toBeGreaterThanOrEqual(exact[i]![1]!);
      expect(low).toBeGreaterThanOrEqual(near[i]![0]!);
      expect(high).toBeLessThanOrEqual(near[i]![1]!);
    });
    // The lone peak is there.
    expect(extremesOf(made.notes, 0).high).toBe(55);
    expect(Math.max(...envelopeOf(made.notes, 0, { from: 0, to: end, bins: 50 }).high)).toBe(55);
  });

  it("asks for no block over a long stretch, and over a short one for those in sight", () => {
    expect(blocksFor(made.notes, 0, end, 50)).toEqual([]);
    const [, second] = made.notes.blocks;
    expect(blocksFor(made.notes, second!.from + 10, second!.from + 3600, 300)).toEqual([1]);
    expect(blocksFor(made.notes, second!.from - 10, second!.from + 10, 300)).toEqual([0, 1]);
    expect(blocksFor(made.notes, end + 1, end + 100, 10)).toEqual([]);
  });

  it("has nothing where there is no reading, and refuses what is no stretch", () => {
    const { low, high } = envelopeOf(made.notes, 0, { from: end + 10, to: end + 20, bins: 4 }, made.blocks);
    expect([...low, ...high].every(Number.isNaN)).toBe(true);
    expect(() => envelopeOf(made.notes, 0, { from: 5, to: 5, bins: 4 })).toThrow(RangeError);
    expect(() => envelopeOf(made.notes, 0, { from: 5, to: 6, bins: 0 })).toThrow(RangeError);
  });
});

describe("a block as bytes", () => {
  const { blocks } = series(300, two);
  const block = blocks.get(0)!;

  it("stands in IEEE 754 with the low byte first, times before columns", () => {
    const bytes = bytesOf(block);
    // The platform's own reader of numbers in bytes.
    const view = new DataView(bytes.buffer);
    expect(bytes).toHaveLength(300 * 16);
    for (const i of [0, 1, 150, 299]) {
      expect(view.getFloat64(8 * i, true)).toBe(block.seconds[i]);
      expect(view.getFloat32(300 * 8 + 4 * i, true)).toBe(block.columns[0]![i]);
      expect(view.getFloat32(300 * 12 + 4 * i, true)).toBe(block.columns[1]![i]);
    }
  });

  it("comes back as it was, from wherever in a file it stands", () => {
    const file = new Uint8Array(300 * 16 + 7);
    file.set(bytesOf(block), 7);
    const back = blockOf(file.subarray(7), 2, -Infinity);
    expect(back).toEqual({ ok: true, value: block });
  });

  const broken = (change: (b: SeriesBlock) => void): SeriesBlock => {
    const copy = { seconds: block.seconds.slice(), columns: block.columns.map((c) => c.slice()) };
    change(copy);
    return copy;
  };
  it.each<[string, SeriesBlock, RegExp]>([
    ["a reading that is no number", broken((b) => (b.columns[1]![9] = NaN)), /reading that is no number/],
    ["a time without end", broken((b) => (b.seconds[299] = Infinity)), /time that is no number/],
    ["a time that goes back", broken((b) => (b.seconds[5] = b.seconds[4]!)), /not later/],
  ])("is refused with %s", (_, bad, words) => {
    const read = blockOf(bytesOf(bad), 2, -Infinity);
    expect(!read.ok && read.problem).toMatch(words);
  });
  it("is refused where it does not follow the one before, is cut, empty or too long", () => {
    expect(blockOf(bytesOf(block), 2, block.seconds[0]!)).toMatchObject({ ok: false });
    expect(blockOf(bytesOf(block).subarray(1), 2, -1)).toMatchObject({ ok: false });
    expect(blockOf(new Uint8Array(0), 2, -1)).toMatchObject({ ok: false });
    expect(blockOf(new Uint8Array((BLOCK_ROWS + 1) * 16), 2, -1)).toMatchObject({ ok: false });
    expect(flawOf({ seconds: block.seconds, columns: [block.columns[0]!] }, 2, -1)).toMatch(/unequal/);
  });
});

it("cells divide a block evenly", () => expect(BLOCK_ROWS % CELL_ROWS).toBe(0));
