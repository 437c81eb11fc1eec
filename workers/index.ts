export type { TrialAnswer } from "./bench";
export * from "./client";
