export * from "./cooler";
export * from "./heater";
export * from "./state";
