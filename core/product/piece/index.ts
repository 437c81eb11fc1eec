export * from "./after";
export * from "./conduction";
export * from "./lethality";
export * from "./state";
