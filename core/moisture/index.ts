export * from "./balance";
export * from "./vapour";
