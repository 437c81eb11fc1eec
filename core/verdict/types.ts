import type { Band, Chamber, Controller, Edit, LoadedVessel, Named, PlacedProbe, Stage, Station, Unit } from "../model";
import type { Scale } from "../quantity";
import type { ControlPlan, Metrics, Plan, StagePlan, StageResult, Trial } from "../trial";

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
  /** It is about a limit that a person may pass knowingly: it stays, and is marked as their own way. */
  limit?: true;
  /** The stage that it is about, where the program has several; and the vessel, controller or device, where there are several. */
  stage: string | null;
  about: string | null;
}

/** A verdict as a rule gives it: which stage and what it is about are filled in by the judge. */
export type Finding = Omit<Verdict, "stage" | "about"> & { about?: string };

/** What is judged: a trial with its plan, printed in a scale. */
export interface Judgement {
  plan: Plan;
  trial: Trial;
  scale: Scale;
  /** The trial in which nothing happens, where something does in this one; null where this one is that trial. */
  calm: Trial | null;
}

/** What a rule may look at: one thing that a band is for in one stage, and one controller that has to do with it. */
export interface Case extends Judgement {
  chamber: Chamber;
  stagePlan: StagePlan;
  stage: Named<Stage>;
  result: StageResult;
  /** Of what is judged, in this stage. */
  metrics: Metrics;
  band: Band;
  /** The vessel that is judged; where it is the air, the first. */
  vessel: LoadedVessel;
  controller: Controller;
  unit: Unit;
  control: ControlPlan;
  /** The probe that the controller reads. */
  probe: PlacedProbe;
}

/** One rule: what it finds on a case, or null where it has nothing to say. */
export type Rule = (c: Case) => Finding | Finding[] | null;

/**
 * What a rule is asked about: once for the whole program; once a stage; for each thing that is judged in a stage; for
 * each controller in a stage.
 */
export type Scope = "program" | "stage" | "judged" | "controller";
