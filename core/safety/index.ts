export * from "./cautions";
export * from "./rules";
