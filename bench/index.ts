export * from "./BenchRoute";
export * from "./stations";
export { VerdictTitle } from "./VerdictView";
export * from "./Stored";
export { hasProgram } from "./hasProgram";
export { sayDate } from "./useMoments";
