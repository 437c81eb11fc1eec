import { CELL_ROWS, type BlockNote, type SeriesBlock, type SeriesNotes } from "./block";

/** A stretch of one column, drawn in bins. */
export interface Envelope {
  /** s from the series' beginning. */
  from: number;
  to: number;
  /** Lowest and highest of each bin; NaN where there is no reading in it. */
  low: Float32Array<ArrayBuffer>;
  high: Float32Array<ArrayBuffer>;
}

/** Whether a block has to be read for bins of so many seconds, or what is known of it is fine enough. */
const tooCoarse = (block: BlockNote, width: number): boolean =>
  (block.to - block.from) / Math.ceil(block.rows / CELL_ROWS) > width / 2;

const inSight = (block: BlockNote, from: number, to: number): boolean => block.to >= from && block.from <= to;

/** The blocks that have to be read for a stretch in so many bins; over a long one none. */
export function blocksFor({ blocks }: SeriesNotes, from: number, to: number, bins: number): number[] {
  const width = (to - from) / bins;
  return blocks.flatMap((b, i) => (inSight(b, from, to) && tooCoarse(b, width) ? [i] : []));
}

/**
 * Lowest and highest of a stretch in bins of equal width. Blocks that are at hand are drawn by their readings; of the
 * others what is known of their cells: one that lies over the edge of a bin counts in both, so that no peak is hidden.
 * @param read blocks that have been read, by their place
 * @throws RangeError for an empty stretch or no bins
 */
export function envelopeOf(
  { blocks }: SeriesNotes,
  column: number,
  { from, to, bins }: { from: number; to: number; bins: number },
  read: ReadonlyMap<number, SeriesBlock> = new Map(),
): Envelope {
  if (!(to > from) || !(bins >= 1)) throw new RangeError("A stretch needs a width and a bin.");
  const low = new Float32Array(bins).fill(NaN);
  const high = new Float32Array(bins).fill(NaN);
  const width = (to - from) / bins;
  const at = (seconds: number) => Math.min(bins - 1, Math.floor((seconds - from) / width));
  const put = (bin: number, lowest: number, highest: number) => {
    if (!(low[bin]! <= lowest)) low[bin] = lowest;
    if (!(high[bin]! >= highest)) high[bin] = highest;
  };
  blocks.forEach((block, i) => {
    if (!inSight(block, from, to)) return;
    const rows = read.get(i);
    if (rows) {
      const values = rows.columns[column]!;
      rows.seconds.forEach((s, k) => {
        if (s >= from && s <= to) put(at(s), values[k]!, values[k]!);
      });
      return;
    }
    const { starts } = block;
    for (let c = 0; c < starts.length; c++) {
      const begins = starts[c]!;
      const ends = starts[c + 1] ?? block.to;
      if (ends < from || begins > to) continue;
      for (let bin = at(Math.max(begins, from)); bin <= at(Math.min(ends, to)); bin++)
        put(bin, block.low[column]![c]!, block.high[column]![c]!);
    }
  });
  return { from, to, low, high };
}
