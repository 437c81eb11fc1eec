import type { Judged } from "../chamber";
import type { Chamber } from "../model";
import type { EndedBy } from "../program";
import type { EnergyAccount } from "./energy";
import { isQuick } from "./quick";
import { Range } from "./range";

/** Seconds after arrival from which the swing counts as the steady one. */
export const settlingOf = (kind: Chamber["cabinet"]["kind"]): number => (isQuick(kind) ? 3600 : 12 * 3600);

/** All that is gathered in one part of a stage: on the way to the band, just arrived, settled. */
class Phase {
  readonly product = new Range();
  readonly probe = new Range();
  readonly air = new Range();
  /** In steps of the display. */
  readonly shown = new Range();
  steps = 0;
  inBand = 0;
  /** −0: a float to the engine from its first step on. It compiles the inner loop once, and not again for each trial. */
  productSum = -0;
  lowAlarm = 0;
  highAlarm = 0;
}

/** What is seen of one thing that a band holds for, in one stage. */
export class JudgedTally {
  readonly onTheWay = new Phase();
  readonly arriving = new Phase();
  readonly settled = new Phase();
  phase = this.onTheWay;
  arrivedAt = Infinity;
  settledFrom = Infinity;
  /** Steps at which it left its band and came back into it, in turn; it begins outside. */
  readonly crossings: number[] = [];
  /** 1 where it left by the cold end, 0 elsewhere, at each crossing: lists of one kind keep the inner loop compiled. */
  readonly byCold: (0 | 1)[] = [];
  wasIn = false;
  /** It is not in yet. */
  out = false;
  readonly node: number;
  /** Its band as it stands, °C. */
  low = Infinity;
  high = -Infinity;

  constructor(
    readonly judged: Judged,
    /** The step from which it is there: what is put in later is not judged before. */
    readonly inStep: number,
    /** Which of the chamber's controllers holds it. */
    readonly controller: number,
    /** Where its own line, its probe's and its display's stand among what the trace tracks. */
    readonly lines: { product: number; probe: number; shown: number },
  ) {
    this.node = judged.node;
  }
}

/** What is seen of one controller in one stage: steps that its alarms sounded, and how far its probe ran on, K. */
export interface ControlTally {
  low: number;
  high: number;
  lowSettled: number;
  highSettled: number;
  runOn: { heat: number; cold: number };
}

/** What is gathered in one stage. Steps, from the first of it to the first of the next. */
export interface StageTally {
  stage: number;
  from: number;
  to: number;
  /** When an end of it came, s, and which; it went on from there until somebody was there. */
  dueAt: number | null;
  endedBy: EndedBy;
  judged: JudgedTally[];
  controls: ControlTally[];
  /** How far each vessel's product had come as it began, 0..1; null where it has no progress. */
  progress: (number | null)[];
  /** Heat flows, and fuel burned in kg, up to its beginning. */
  before: Flows;
}

/** What has flowed up to a moment. */
export interface Flows {
  energy: EnergyAccount;
  /** kg */
  fuel: number;
}

/** A stretch in which a band stays as it is, s. */
export interface BandSpan {
  stage: number;
  from: number;
  to: number;
  low: number;
  high: number;
}
