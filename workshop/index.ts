export * from "./backup";
export * from "./store";
export type { Aside } from "./storage";
