export * from "./backup";
export * from "./store";
