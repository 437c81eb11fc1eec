// Series of readings under Node: gathering, heap, drawing from what is known of the blocks, and the reader of tables.
import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import { RoomReader } from "../core/formats";
import { envelopeOf, SeriesWriter, type SeriesColumn, type SeriesNotes } from "../core/series";

setFlagsFromString("--expose-gc");
const collect = runInNewContext("gc") as () => void;
const ms = (value: number) => `${value.toFixed(1)} ms`;
const columns: SeriesColumn[] = [{ name: "room", unit: "degC" }];
const heap = () => {
  collect();
  collect();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return (heapUsed + arrayBuffers) / 1024;
};

/** As a run stores them: every reading by itself, and what is handed over goes away. */
function fill(writers: readonly SeriesWriter[], from: number, rows: number): SeriesNotes[] {
  let notes: SeriesNotes[] = [];
  for (let i = from; i < from + rows; i++) {
    for (const writer of writers) writer.append(i * 10, 10 + Math.sin(i / 1000));
    if (i % 60 === 0) notes = writers.map((w) => w.take().notes);
  }
  return notes;
}
const eight = Array.from({ length: 8 }, () => new SeriesWriter(columns));
// Once before: what the engine itself lays out is not theirs.
fill(eight, 0, 28_800);
const before = heap();
const begun = performance.now();
fill(eight, 28_800, 28_800);
const spent = performance.now() - begun;
console.log(
  `28,800 readings into each of eight series: ${ms(spent)}, the heap ${(heap() - before).toFixed(0)} KiB larger (the readings themselves are ${((28_800 * 8 * 12) / 1024).toFixed(0)} KiB)`,
);

const year = new SeriesWriter(columns);
let notes: SeriesNotes = { columns, blocks: [] };
for (let i = 0; i < 3_153_600; i++) {
  year.append(i * 10, 10 + Math.sin(i / 1000));
  if (i % 8192 === 0) notes = year.take().notes;
}
const spans = Array.from({ length: 15 }, () => {
  const start = performance.now();
  envelopeOf(notes, 0, { from: 0, to: 31_536_000, bins: 600 });
  return performance.now() - start;
}).sort((a, b) => a - b);
console.log(
  `A year at ten seconds in 600 bins, from what is known of its ${notes.blocks.length} blocks: median ${ms(spans[7]!)}`,
);

const table = [
  "h;t",
  ...Array.from({ length: 1_000_000 }, (_, i) => `${(i / 360).toFixed(5)};${(12 + (i % 7)).toFixed(2)}`),
].join("\n");
const read = performance.now();
let rows = 0;
const reader = new RoomReader("C", () => rows++);
for (let at = 0; at < table.length; at += 524_288) reader.push(table.slice(at, at + 524_288));
reader.finish();
console.log(`A table of ${rows.toLocaleString("en")} readings read in pieces: ${ms(performance.now() - read)}`);
