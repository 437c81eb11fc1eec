export * from "./change";
export * from "./cost";
export * from "./needed";
