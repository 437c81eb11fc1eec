/** Rows of a full block. A block is written once and never changed; only the last one of a series grows until it is full. */
export const BLOCK_ROWS = 8192;
/** Rows whose lowest and highest are known without the block being read. */
export const CELL_ROWS = 256;

/** A column's name, for people, and the unit that its values stand in. */
export interface SeriesColumn {
  name: string;
  unit: "degC" | "percent";
}

/** Consecutive rows of a series. */
export interface SeriesBlock {
  /** Seconds from the series' own beginning, each later than the one before. */
  seconds: Float64Array<ArrayBuffer>;
  /** One for each column, in its unit. */
  columns: Float32Array<ArrayBuffer>[];
}

/** What is known of a block without reading it. */
export interface BlockNote {
  rows: number;
  /** Its first and last time, s. */
  from: number;
  to: number;
  /** The first time of each cell of `CELL_ROWS` rows, s. */
  starts: Float64Array<ArrayBuffer>;
  /** Lowest and highest of each cell, for each column. */
  low: Float32Array<ArrayBuffer>[];
  high: Float32Array<ArrayBuffer>[];
}

/** What is known of a series without reading any of its blocks. */
export interface SeriesNotes {
  columns: readonly SeriesColumn[];
  blocks: readonly BlockNote[];
}

export const rowsOf = ({ blocks }: Pick<SeriesNotes, "blocks">): number => blocks.reduce((sum, b) => sum + b.rows, 0);

/** Works out what is to be known of a block. */
export function noteOf({ seconds, columns }: SeriesBlock): BlockNote {
  const cells = Math.ceil(seconds.length / CELL_ROWS);
  const low = columns.map(() => new Float32Array(cells).fill(Infinity));
  const high = columns.map(() => new Float32Array(cells).fill(-Infinity));
  columns.forEach((values, c) => {
    for (let i = 0; i < values.length; i++) {
      const cell = Math.floor(i / CELL_ROWS);
      const value = values[i]!;
      if (value < low[c]![cell]!) low[c]![cell] = value;
      if (value > high[c]![cell]!) high[c]![cell] = value;
    }
  });
  const starts = Float64Array.from({ length: cells }, (_, cell) => seconds[cell * CELL_ROWS]!);
  return { rows: seconds.length, from: seconds[0]!, to: seconds[seconds.length - 1]!, starts, low, high };
}

/** Lowest and highest of a column over the whole series. */
export function extremesOf({ blocks }: Pick<SeriesNotes, "blocks">, column: number): { low: number; high: number } {
  let low = Infinity;
  let high = -Infinity;
  for (const block of blocks) {
    for (const value of block.low[column]!) low = Math.min(low, value);
    for (const value of block.high[column]!) high = Math.max(high, value);
  }
  return { low, high };
}

/** What is wrong with a block that comes from elsewhere, or null: every number finite, every time later, no cell empty. */
export function flawOf({ seconds, columns }: SeriesBlock, columnCount: number, after: number): string | null {
  if (seconds.length < 1 || seconds.length > BLOCK_ROWS) return `a block of ${seconds.length} readings`;
  if (columns.length !== columnCount || columns.some((c) => c.length !== seconds.length))
    return "columns of unequal length";
  let last = after;
  for (const s of seconds) {
    if (!Number.isFinite(s)) return "a time that is no number";
    if (s <= last) return "a time that is not later than the one before";
    last = s;
  }
  return columns.every((values) => values.every(Number.isFinite)) ? null : "a reading that is no number";
}
