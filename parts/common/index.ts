export * from "./Caution";
export * from "./Glazes";
export * from "./keys";
