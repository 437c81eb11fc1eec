export * from "./body";
export * from "./door";
export * from "./examples";
export * from "./openapi";
export * from "./schemas";
