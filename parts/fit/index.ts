export * from "./Cuts";
export * from "./CutTable";
export * from "./Elevation";
export { Plan } from "./Plan";
