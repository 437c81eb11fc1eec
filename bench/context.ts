"use client";

import { createContext, useContext } from "react";
import type {
  Chamber,
  ChamberRecord,
  Change,
  Controller,
  Edit,
  Named,
  PreferencesRecord,
  Problem,
  Stage,
  Unit,
} from "@/core/model";
import type { ControlPlan, Metrics, Plan, StagePlan, StageResult, Trial, UnitPlan } from "@/core/trial";
import type { Effect, Remedy, Verdict } from "@/core/verdict";
import { useWorkshop } from "@/workshop";
import type { RangeHold } from "./useRange";
import type { LiveTrial } from "./useTrial";

/** A trial put aside to compare others with. */
export interface PinnedTrial {
  trial: Trial;
  record: ChamberRecord;
  /** When it was kept, and with what. */
  name: string;
}

/** The stage and the controller that are looked at, in a plan. */
export interface Looked {
  chamber: Chamber;
  stage: Named<Stage>;
  controller: Controller;
  unit: Unit;
  control: ControlPlan;
}

/** The chamber under the hand: it changes with every movement. */
export interface BenchChamber extends Looked {
  /** The stored one, or the one with a remedy that is being tried. */
  record: ChamberRecord;
  plan: Plan;
  stagePlan: StagePlan;
  unitPlan: UnitPlan;
}

/** The trial on show and what is said of it: it changes with every answer of the worker. */
export interface BenchTrial {
  live: LiveTrial;
  /** As the chamber was that the trial is of; null until there is one. */
  of: (Looked & { record: ChamberRecord }) | null;
  /** How the stage that is looked at went, once the trial has come to it. */
  result: StageResult | null;
  /** Of what the controller holds, in that stage; null until the trial has come to it. */
  metrics: Metrics | null;
  /** The same where nothing happens; null where the stage is not come to. */
  calm: Metrics | null;
  verdicts: Verdict[];
  effects: Record<string, Effect[] | undefined>;
  /** What the line of the judged temperature is called: "product", "air" in a smoker, "vessel 1" of several. */
  judged: string;
  /** A trial kept for comparison. */
  kept: PinnedTrial | null;
  trying: Remedy | null;
}

/** What can be done at the bench: it never changes while the bench stands. */
export interface BenchActions {
  onStage: (id: string) => void;
  onUnit: (id: string) => void;
  keepTrial: (trial: Trial | null) => void;
  /** Changes the chamber; a sentence comes back where that is impossible. */
  apply: (edits: Edit[], label: string, merge?: string) => Problem | null;
  /** Changes lists and tables of the chamber; a sentence comes back where that is impossible. */
  change: (change: Change, label: string, merge?: string) => Problem | null;
  tryRemedy: (remedy: Remedy) => void;
  keepRemedy: (remedy?: Remedy) => void;
  dropRemedy: () => void;
}

export const ChamberContext = createContext<BenchChamber | null>(null);
export const TrialContext = createContext<BenchTrial | null>(null);
/** Between what the trial on show may come out, and when: it comes on its own, long after the trial. */
export const RangeContext = createContext<RangeHold | null>(null);
export const ActionsContext = createContext<BenchActions | null>(null);

function here<T>(found: T | null): T {
  if (!found) throw new Error("A station stands outside of its bench.");
  return found;
}

export const useChamber = (): BenchChamber => here(useContext(ChamberContext));
export const useShownTrial = (): BenchTrial => here(useContext(TrialContext));
export const useShownRange = (): RangeHold => here(useContext(RangeContext));
export const useActions = (): BenchActions => here(useContext(ActionsContext));
export const usePreferences = (): PreferencesRecord => useWorkshop((s) => s.preferences);
