import { vesselName } from "../chamber";
import type { LoadedVessel } from "../model";
import {
  atFirst,
  printDifference,
  printDuration,
  printMoment,
  printTemperature,
  type Scale,
  type Temperature,
  type TemperatureDifference,
} from "../quantity";
import { judgedName } from "../trial";
import type { Case } from "./types";

/** A tenth of a degree past the band is no excursion, K. */
export const TOLERANCE = 0.1;

/** Printing for verdict texts, in the scale of the case. */
export const words = ({ scale, trial, chamber, metrics }: Pick<Case, "scale" | "trial" | "chamber" | "metrics">) => ({
  /** What the band is for: "product", "air", "vessel 2". */
  judged: judgedName(metrics.judged, chamber.vessels),
  /** The same with its article, where it has one. */
  theJudged: withArticle(judgedName(metrics.judged, chamber.vessels)),
  at: (t: number) => printTemperature(t as Temperature, scale),
  by: (d: number) => printDifference(d as TemperatureDifference, scale),
  when: (seconds: number) => printMoment(seconds, trial.startHour),
  /** How long was looked at. */
  within: chamber.stages.length > 1 ? printDuration(metrics.seconds) : sayDays(trial.days),
});

/** Of several vessels which one, before what is said of it. */
export const vesselWords = ({ chamber }: Pick<Case, "chamber">, vessel: LoadedVessel): string =>
  chamber.vessels.length > 1 ? `${atFirst(vesselName(vessel))} ${chamber.vessels.indexOf(vessel) + 1}: ` : "";

export const sayDays = (days: number): string => (days === 1 ? "1 day" : `${days} days`);

export const withArticle = (judged: string): string => (/\d$/.test(judged) ? judged : `the ${judged}`);

export const percent = (share: number): string => `${Math.round(share * 100)}\u00a0%`;

/** "18.4 to 20.2 °C" */
export const fromTo = (low: number, high: number, scale: Scale): string =>
  `${printTemperature(low as Temperature, scale).replace(/\u00a0.*/, "")} to ${printTemperature(high as Temperature, scale)}`;

/** "moves from 18.4 to 20.2 °C", or "stays at 18.4 °C" where both ends print alike. */
export function movesOrStays(low: number, high: number, scale: Scale, moves = "moves from"): string {
  const [from, to] = [low, high].map((t) => printTemperature(t as Temperature, scale));
  return from === to ? `stays at ${to}` : `${moves} ${fromTo(low, high, scale)}`.trimStart();
}
