export * from "./BenchRoute";
export * from "./stations";
export { VerdictTitle } from "./VerdictTitle";
export * from "./Stored";
export { hasProgram } from "./hasProgram";
export { momentsOf } from "./useMoments";
