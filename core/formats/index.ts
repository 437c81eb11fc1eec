export * from "./calendar";
export * from "./partsCsv";
export * from "./programFile";
export * from "./recipe";
export * from "./roomCsv";
export * from "./traceCsv";
