export * from "./Ladder";
