export * from "./attendance";
export * from "./edits";
export * from "./state";
export * from "./tasks";
export * from "./words";
