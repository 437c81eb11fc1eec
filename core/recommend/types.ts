import type { Edit, ProbePlace } from "../model";
import type { Scale } from "../quantity";
import type { Score } from "./score";
import type { SeasonName } from "./seasons";

export interface RecommendOptions {
  /** Also look for the place of the probe, and for the size of the heater. */
  probe: boolean;
  heater: boolean;
  /** Of which stage, and of which controller with those that hold the same; the first where nothing is said. */
  stage?: string;
  controller?: string;
}

/** A point of the trade-off: what it is, what it costs, what would have to be changed for it. */
export interface TradePoint {
  score: Score;
  place: ProbePlace;
  heaterPower: number;
  edits: Edit[];
}

/** A text for whichever scale is on show when it is read. */
export type Said = Record<Scale, string>;

/** A change that relaxes a binding constraint. */
export interface Relaxation {
  label: Said;
  edits: Edit[];
}

export interface Recommendation {
  /** Null: nothing satisfies, and `binding` says why. */
  best: TradePoint | null;
  points: TradePoint[];
  present: TradePoint;
  /** The two main schools: equal differentials around the middle, and a small one under the edge. */
  schools: { name: string; point: TradePoint }[];
  /**
   * The binding constraint, with the vessel (or "air") that it is about, and the changes of which a trial shows that
   * they relax it; null where something satisfies.
   */
  binding: { season: SeasonName; judged: string; text: Said; relaxations: Relaxation[] } | null;
  /** The controllers that the numbers are for. */
  controllers: string[];
  /** Trials that the answer rests on. */
  trials: number;
}

export interface SearchProgress {
  done: number;
  of: number;
}
