export * from "./calendar";
export * from "./roomCsv";
export * from "./traceCsv";
