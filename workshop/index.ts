export * from "./backup";
export * from "./store";
export * from "./preferences";
