export * from "./edit";
export * from "./fields";
export * from "./record";
export * from "./sections";
export * from "./publishedSchema";
