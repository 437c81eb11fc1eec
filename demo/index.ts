export * from "./hollinMill";
export * from "./seed";
