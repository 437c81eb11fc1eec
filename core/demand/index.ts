export * from "./arrival";
export * from "./bring";
export * from "./face";
export * from "./ice";
export * from "./touch";
export * from "./worst";
