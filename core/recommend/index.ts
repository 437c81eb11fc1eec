export * from "./explain";
export * from "./recommend";
export * from "./score";
export * from "./seasons";
export { lastSetups, setupsOf, tryTask, type Task, type Tried } from "./setups";
export * from "./types";
export * from "./gentlest";
