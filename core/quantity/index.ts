export * from "./clock";
export * from "./degrees";
export * from "./parse";
export * from "./print";
export * from "./result";
export * from "./rounding";
export * from "./temperature";
export * from "./units";
