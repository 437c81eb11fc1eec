export * from "./classes";
export * from "./colours";
export * from "./enclosure";
export { sayFault } from "./faults";
export { wiringFindings } from "./findings";
export { consequencesOf } from "./hazards";
export { rungsOf, usesAnsi } from "./ladder";
export * from "./names";
export * from "./never";
export * from "./order";
export { mainsTable, wiringPlanOf, type WiringPlan } from "./plan";
export * from "./sayHazard";
export * from "./sizes";
export { faultKey } from "./state";
export * from "./terminals";
export { beeped, OPEN, sayExpected, type MeterTest } from "./tests";
export {
  breaksBothLinks,
  hasCutOut,
  hasTwoCords,
  linksIn,
  outletsIn,
  relaysInUnit,
  wiresOf,
  type OutletName,
} from "./wires";
