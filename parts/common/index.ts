export * from "./Caution";
export * from "./Glazes";
export * from "./keys";
export * from "./shortcutList";
export * from "./download";
export * from "./Fold";
export * from "./FileKey";
