export * from "./recommend";
export * from "./score";
export * from "./seasons";
