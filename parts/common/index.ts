export * from "./Caution";
export * from "./Glazes";
