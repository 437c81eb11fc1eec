import localforage from "localforage";
import { crockDriver, type Exchange } from "./driver";

type Box = LocalForage & Exchange;

let defined: Promise<void> | null = null;
/** One shelf of the database of this browser. */
async function shelf(storeName: "workshop" | "series"): Promise<Box> {
  await (defined ??= localforage.defineDriver(crockDriver as unknown as LocalForageDriver));
  const box = localforage.createInstance({ name: "gentle-crock", storeName, driver: crockDriver._driver });
  await box.ready();
  return box as Box;
}

let held: Promise<Box> | null = null;
let heldSeries: Promise<Box> | null = null;
/** Where series of readings lie. */
export const seriesBox = (): Promise<Box> => (heldSeries ??= shelf("series"));
/** Where records and what is said of them lie. */
export const recordBox = (): Promise<Box> => (held ??= shelf("workshop"));
