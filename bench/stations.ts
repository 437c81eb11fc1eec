import { stations, type ChamberRecord, type Station } from "@/core/model";
import type { Verdict } from "@/core/verdict";

/** What keeps a chamber from being right. */
export const isSerious = ({ severity }: Pick<Verdict, "severity">): boolean =>
  severity === "danger" || severity === "warning";

/** The path of the work: every station has its number for good; those not built yet are not shown. */
export const stationInfo: Record<Station, { number: number; name: string; asks: string }> = {
  job: { number: 1, name: "Job", asks: "What is in it, and how cold and how warm may it be?" },
  box: { number: 2, name: "Box", asks: "In what box does it stand, and in what room?" },
  heat: { number: 3, name: "Heat & cold", asks: "What warms it and what cools it?" },
  wiring: { number: 4, name: "Wiring", asks: "How are heat and cold switched?" },
  probe: { number: 5, name: "Probe", asks: "Where does the controller feel the temperature?" },
  settings: { number: 6, name: "Settings", asks: "What do you key into the controller, and what will it do?" },
};

export type StationState = "settled" | "warning" | "untouched";

/** A warning outweighs: a settled station with something wrong is not settled. */
export function stateOf(station: Station, record: ChamberRecord, verdicts: readonly Verdict[]): StationState {
  if (verdicts.some((v) => v.station === station && isSerious(v))) return "warning";
  return record.settled.includes(station) ? "settled" : "untouched";
}

export const stateWords: Record<StationState, string> = {
  settled: "settled",
  warning: "something is wrong here",
  untouched: "not looked at yet",
};

/** First station that is not settled, in the order of the work; null when all are. */
export const nextStation = (record: ChamberRecord, verdicts: readonly Verdict[]): Station | null =>
  stations.find((s) => stateOf(s, record, verdicts) !== "settled") ?? null;
