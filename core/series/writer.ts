import { BLOCK_ROWS, noteOf, type BlockNote, type SeriesBlock, type SeriesColumn, type SeriesNotes } from "./block";

/** Blocks that are to be stored, by their place, and what is then known of the whole series. */
export interface Taken {
  blocks: { index: number; block: SeriesBlock }[];
  notes: SeriesNotes;
}

/**
 * Gathers rows into blocks. It holds what has not been taken yet and the block that is being filled, and no more: how
 * long a series grows does not show in memory.
 */
export class SeriesWriter {
  private readonly notes: BlockNote[];
  private full: { index: number; block: SeriesBlock }[] = [];
  private readonly seconds = new Float64Array(BLOCK_ROWS);
  private readonly values: Float32Array<ArrayBuffer>[];
  private filled = 0;
  /** Rows of the last block that have been taken already. */
  private taken = 0;
  private last = -Infinity;

  /** @param on goes on where a series ends: what is known of it, and its last block */
  constructor(
    private readonly columns: readonly SeriesColumn[],
    on?: { notes: SeriesNotes; last: SeriesBlock },
  ) {
    this.values = columns.map(() => new Float32Array(BLOCK_ROWS));
    this.notes = on ? [...on.notes.blocks] : [];
    if (!on) return;
    const { seconds, columns: values } = on.last;
    this.last = seconds[seconds.length - 1]!;
    if (seconds.length === BLOCK_ROWS) return;
    // It is still growing: what is known of it is worked out anew when it is taken.
    this.notes.pop();
    this.seconds.set(seconds);
    values.forEach((v, c) => this.values[c]!.set(v));
    this.filled = this.taken = seconds.length;
  }

  /** Rows gathered so far, taken or not. */
  get rows(): number {
    return this.notes.length * BLOCK_ROWS + this.filled;
  }

  /**
   * Puts a row behind the others.
   * @param at s from the beginning @param values one for each column
   * @throws RangeError for a time that is not later than the last, and for what is no finite number: nothing is kept of it
   */
  append(at: number, ...values: number[]): void {
    if (!Number.isFinite(at) || at <= this.last) throw new RangeError(`Row ${this.rows}: its time is not later.`);
    if (values.length !== this.columns.length || !values.every(Number.isFinite))
      throw new RangeError(`Row ${this.rows}: one finite number is needed for each of ${this.columns.length} columns.`);
    this.seconds[this.filled] = at;
    for (let c = 0; c < values.length; c++) this.values[c]![this.filled] = values[c]!;
    this.filled++;
    this.last = at;
    if (this.filled < BLOCK_ROWS) return;
    const block = this.begun();
    this.full.push({ index: this.notes.length, block });
    this.notes.push(noteOf(block));
    this.filled = this.taken = 0;
  }

  private begun(): SeriesBlock {
    return {
      seconds: this.seconds.slice(0, this.filled),
      columns: this.values.map((v) => v.slice(0, this.filled)),
    };
  }

  /** Hands over what has come since the last time. The block that is not full is handed over as it stands. */
  take(): Taken {
    const blocks = this.full;
    this.full = [];
    if (this.filled === 0) return { blocks, notes: { columns: this.columns, blocks: [...this.notes] } };
    const begun = this.begun();
    if (this.filled > this.taken) blocks.push({ index: this.notes.length, block: begun });
    this.taken = this.filled;
    return { blocks, notes: { columns: this.columns, blocks: [...this.notes, noteOf(begun)] } };
  }
}
