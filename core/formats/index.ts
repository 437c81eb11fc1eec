export * from "./calendar";
export * from "./partsCsv";
export * from "./programFile";
export * from "./recipe";
export type { TimeUnit } from "./moments";
export * from "./roomCsv";
export * from "./traceCsv";
