export * from "./explain";
export type { Free } from "./frees";
export * from "./recommend";
export * from "./score";
export * from "./seasons";
export { lastSetups, setupsOf, tryTask, type Task, type Tried } from "./setups";
export * from "./types";
