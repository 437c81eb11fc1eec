"use client";

import { useMemo } from "react";
import { PROOF_STEP, type ChamberRecord } from "@/core/model";
import { planKey, type WiringPlan } from "@/core/wiring";
import { useActions, useChamber } from "../../context";

/** Steps of the work that belong to the proof of one unit: they are done again with it. */
const tried = (step: "meter" | "residual", unit: number): string => `${PROOF_STEP}${step}:${unit}`;

/** What was read of a plan, and how a reading is put, taken back, or all begun again. */
export function useReadings(plan: WiringPlan) {
  const { record } = useChamber();
  const { change } = useActions();
  const key = useMemo(() => planKey(plan), [plan]);
  const unit = String(plan.unit);
  const stored = record.work.proofs[unit];
  const old = stored !== undefined && stored.plan !== key && Object.keys(stored.readings).length > 0;
  const readings = useMemo(() => (stored && stored.plan === key ? stored.readings : {}), [stored, key]);
  const write = (r: ChamberRecord, next: Record<string, number>): ChamberRecord => ({
    ...r,
    work: { ...r.work, proofs: { ...r.work.proofs, [unit]: { plan: key, readings: next } } },
  });
  const now = (r: ChamberRecord): Record<string, number> => {
    const of = r.work.proofs[unit];
    return of && of.plan === key ? of.readings : {};
  };
  return {
    readings,
    /** There are readings of a plan that is no longer this one. */
    old,
    done: (step: "meter" | "residual") => record.work.done.includes(tried(step, plan.unit)),
    tick: (step: "meter" | "residual") =>
      change((r) => {
        const id = tried(step, plan.unit);
        const done = r.work.done.includes(id) ? r.work.done.filter((d) => d !== id) : [...r.work.done, id];
        return { ...r, work: { ...r.work, done } };
      }, "step of the proof"),
    put: (id: string, value: number | null) =>
      change((r) => {
        const { [id]: _old, ...rest } = now(r);
        return write(r, value === null ? rest : { ...rest, [id]: value });
      }, "reading of the meter"),
    /** What is mended is proved from the first test: the meter is tried again too. */
    begin: () =>
      change((r) => {
        const steps = [tried("meter", plan.unit), tried("residual", plan.unit)];
        const cleared = write(r, {});
        return { ...cleared, work: { ...cleared.work, done: r.work.done.filter((d) => !steps.includes(d)) } };
      }, "readings of the meter"),
  };
}

export type ProofStore = ReturnType<typeof useReadings>;
