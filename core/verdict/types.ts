import type { Edit, Station } from "../model";
import type { Scale } from "../quantity";
import type { Plan, Trial } from "../trial";

export type Severity = "danger" | "warning" | "note" | "good";

/** A change that may mend a verdict: the same edits that a person could make by hand. */
export interface Remedy {
  /** Unique within its verdict. */
  id: string;
  label: string;
  edits: Edit[];
}

/** A judgement on a trial, as data: the screen, the card and a test read the same one. */
export interface Verdict {
  id: string;
  severity: Severity;
  /** Where on the path it can be mended. */
  station: Station;
  title: string;
  /** Evidence with its numbers, printed in the asked scale. */
  text: string;
  /** Moment in the trace that shows it, s; null where there is none. */
  moment: number | null;
  remedies: Remedy[];
}

/** What a rule may look at. */
export interface Case {
  plan: Plan;
  trial: Trial;
  scale: Scale;
}

/** One rule: its verdict on a case, or null where it has nothing to say. */
export type Rule = (c: Case) => Verdict | null;
