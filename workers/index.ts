export { pool } from "./client";
export type { FirstAnswer, ReadProgress, TrialAnswer } from "./jobs";
export { whyLost } from "./post";
