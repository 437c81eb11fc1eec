export * from "./conduction";
export * from "./lethality";
export * from "./series";
export * from "./state";
