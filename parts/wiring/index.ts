export * from "./Enclosure";
export * from "./Ladder";
export * from "./Swatch";
