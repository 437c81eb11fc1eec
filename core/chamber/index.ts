export * from "./describe";
export * from "./geometry";
export * from "./heatLoss";
export * from "./network";
export * from "./newRecord";
export * from "./reference";
export * from "./sizing";
export * from "./tryEdits";
