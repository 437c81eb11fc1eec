// The face for the server: what a page imports comes from index.ts.
export * from "./body";
export * from "./door";
export * from "./openapi";
export { newCrew } from "./threads";
export type { Reply } from "./reply";
