export * from "./judge";
export * from "./normal";
export * from "./types";
export * from "./weigh";
