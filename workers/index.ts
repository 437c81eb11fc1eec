export { pool } from "./client";
export type { ReadProgress, TrialAnswer } from "./jobs";
export { whyLost } from "./post";
