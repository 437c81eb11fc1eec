import { read, refuse, type Read } from "../quantity";
import { BLOCK_ROWS, flawOf, type SeriesBlock } from "./block";

const little = new Uint8Array(new Uint16Array([1]).buffer)[0] === 1;

/** In files the low byte comes first, whatever the machine. */
function turned(bytes: Uint8Array<ArrayBuffer>, size: number): Uint8Array<ArrayBuffer> {
  if (little) return bytes;
  for (let i = 0; i < bytes.length; i += size) bytes.subarray(i, i + size).reverse();
  return bytes;
}

/** A block as bytes: its times as 64-bit floats, then each column as 32-bit floats (IEEE 754, low byte first). */
export function bytesOf({ seconds, columns }: SeriesBlock): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(seconds.byteLength + columns.reduce((sum, c) => sum + c.byteLength, 0));
  bytes.set(turned(new Uint8Array(seconds.slice().buffer), 8));
  let at = seconds.byteLength;
  for (const column of columns) {
    bytes.set(turned(new Uint8Array(column.slice().buffer), 4), at);
    at += column.byteLength;
  }
  return bytes;
}

/**
 * A block out of a file, by the rules of every other one; or what is wrong with it.
 * @param after its first time has to be later, s
 */
export function blockOf(bytes: Uint8Array, columns: number, after: number): Read<SeriesBlock> {
  const row = 8 + 4 * columns;
  const rows = bytes.length / row;
  if (!Number.isInteger(rows) || rows < 1 || rows > BLOCK_ROWS) return refuse("a block of a length that none has");
  // Copied: a view into a file begins where it does, and these have to begin at whole multiples.
  const copy = (from: number, to: number) => Uint8Array.from(bytes.subarray(from, to));
  const block: SeriesBlock = {
    seconds: new Float64Array(turned(copy(0, 8 * rows), 8).buffer),
    columns: Array.from(
      { length: columns },
      (_, c) => new Float32Array(turned(copy(8 * rows + 4 * rows * c, 8 * rows + 4 * rows * (c + 1)), 4).buffer),
    ),
  };
  const flaw = flawOf(block, columns, after);
  return flaw ? refuse(flaw) : read(block);
}
