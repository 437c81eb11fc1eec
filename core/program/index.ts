export * from "./attendance";
export * from "./state";
export * from "./words";
