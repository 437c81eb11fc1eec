export * from "./explain";
export * from "./recommend";
export * from "./score";
export * from "./seasons";
export { setupsOf, tryTask, type Setup, type Task, type Tried } from "./setups";
export * from "./types";
