export type { Bench, TrialAnswer } from "./bench";
export * from "./client";
