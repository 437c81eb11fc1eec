export * from "./judge";
export * from "./normal";
export { excludes } from "./remedies";
export * from "./types";
export * from "./weigh";
