export * from "./examples";
export * from "./schemas";
