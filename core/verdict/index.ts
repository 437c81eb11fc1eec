export * from "./judge";
export * from "./limits";
export * from "./normal";
export { excludes } from "./remedies";
export * from "./types";
export * from "./weigh";
export { withArticle } from "./words";
