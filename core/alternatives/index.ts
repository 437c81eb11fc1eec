export * from "./alternatives";
