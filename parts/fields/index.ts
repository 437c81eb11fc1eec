export * from "./Choice";
export * from "./kinds";
export * from "./NumberField";
