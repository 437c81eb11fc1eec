export * from "./beam";
export * from "./board";
export * from "./materials";
export * from "./plate";
