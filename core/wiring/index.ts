export { faultKey, outletsIn, wiresOf, type OutletName } from "./circuit";
export * from "./classes";
export * from "./colours";
export { sayFault } from "./faults";
export * from "./findings";
export { mainsTable, wiringPlanOf, type WiringPlan } from "./plan";
export * from "./sizes";
export * from "./terminals";
export { beeped, sayExpected, type MeterTest } from "./tests";
