export * from "./findings";
export * from "./sentence";
export * from "./settings";
export * from "./twoOutlet";
export * from "./unit";
