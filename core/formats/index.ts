export * from "./roomCsv";
export * from "./traceCsv";
