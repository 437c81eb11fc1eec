export * from "./arrival";
export * from "./ice";
export * from "./touch";
export * from "./worst";
