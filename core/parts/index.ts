export * from "./change";
export * from "./cost";
export * from "./needed";
export * from "./part";
