export * from "./CabinetDrawing";
