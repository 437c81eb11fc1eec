export * from "./beer";
export * from "./evaporation";
export * from "./held";
export * from "./models";
export * from "./shape";
