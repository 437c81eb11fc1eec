export * from "./Ladder";
export * from "./Enclosure";
