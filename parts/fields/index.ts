export * from "./Choice";
export * from "./DateField";
export { Drafts, useDraft } from "./drafts";
export * from "./kinds";
export * from "./NumberField";
export * from "./ReadingField";
export * from "./Select";
export * from "./Toggle";
export * from "./TextField";
