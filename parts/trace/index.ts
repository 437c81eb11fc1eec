export * from "./InsetChart";
export * from "./TraceChart";
