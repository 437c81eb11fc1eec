"use client";

import { createContext, useContext } from "react";
import type { Change } from "@/core/chamber";
import type { Chamber, ChamberRecord, Controller, Edit, Named, PreferencesRecord, Stage, Unit } from "@/core/model";
import type { ControlPlan, Metrics, Plan, StagePlan, StageResult, Trial, UnitPlan } from "@/core/trial";
import type { Effect, Remedy, Verdict } from "@/core/verdict";
import type { LiveTrial } from "./useTrial";

/** A trial put aside to compare others with. */
export interface PinnedTrial {
  trial: Trial;
  record: ChamberRecord;
  /** When it was kept, and with what. */
  name: string;
}

/** What every station of the bench works with. */
export interface BenchContext {
  /** The chamber on show: the stored one, or the one with a remedy that is being tried. */
  record: ChamberRecord;
  plan: Plan;
  chamber: Chamber;
  /** The stage that is looked at, with its plan and, once the trial has come to it, how it went. */
  stage: Named<Stage>;
  stagePlan: StagePlan;
  result: StageResult | null;
  onStage: (id: string) => void;
  /** The controller that is looked at, in that stage. */
  unitPlan: UnitPlan;
  controller: Controller;
  unit: Unit;
  control: ControlPlan;
  onUnit: (id: string) => void;
  /** Of what it holds, in that stage; null until the trial has come to it. */
  metrics: Metrics | null;
  preferences: PreferencesRecord;
  live: LiveTrial;
  verdicts: Verdict[];
  effects: Record<string, Effect[] | undefined>;
  /** What the line of the judged temperature is called: "product", "air" in a smoker, "vessel 1" of several. */
  judged: string;
  /** A trial kept for comparison. */
  kept: PinnedTrial | null;
  keepTrial: (trial: Trial | null) => void;
  trying: Remedy | null;
  /** Changes the chamber; a sentence comes back where that is impossible. */
  apply: (edits: Edit[], label: string, merge?: string) => string | null;
  /** Changes lists and tables of the chamber; a sentence comes back where that is impossible. */
  change: (change: Change, label: string, merge?: string) => string | null;
  tryRemedy: (remedy: Remedy) => void;
  keepRemedy: (remedy?: Remedy) => void;
  dropRemedy: () => void;
}

export const BenchProvider = createContext<BenchContext | null>(null);

export function useBench(): BenchContext {
  const context = useContext(BenchProvider);
  if (!context) throw new Error("A station stands outside of its bench.");
  return context;
}
