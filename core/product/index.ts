export * from "./beer";
export * from "./defaults";
export * from "./gravity";
