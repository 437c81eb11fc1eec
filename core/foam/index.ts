export * from "./compare";
export * from "./nest";
export * from "./panels";
export * from "./sized";
