export type { BackupContents } from "./backup";
export * from "./store";
export * from "./preferences";
export * from "./keeping";
export { troubleWords } from "./trouble";
