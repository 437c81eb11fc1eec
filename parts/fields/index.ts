export * from "./Choice";
export * from "./kinds";
export * from "./NumberField";
export * from "./Select";
export * from "./Toggle";
export * from "./TextField";
