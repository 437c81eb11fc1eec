export type { BackupContents } from "./backup";
export type { Step } from "./history";
export * from "./state";
export * from "./store";
export * from "./preferences";
export * from "./programs";
export * from "./lengths";
export * from "./keeping";
export { troubleWords } from "./trouble";
