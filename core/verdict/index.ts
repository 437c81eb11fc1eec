export { calmStages, calmSteps } from "./calm";
export * from "./judge";
export * from "./limits";
export * from "./normal";
export * from "./same";
export * from "./types";
export * from "./weigh";
export { withArticle } from "./words";
