export type { TrialAnswer } from "./bench";
export * from "./client";
export { whyLost } from "./post";
