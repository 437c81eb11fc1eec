"use client";

import { Plus, X } from "lucide-react";
import dynamic from "next/dynamic";
import { addStage, removeStage } from "@/core/chamber";
import { sayEnds, stageName } from "@/core/program";
import { printTemperature } from "@/core/quantity";
import { useActions, useChamber, usePreferences, useShownTrial } from "./context";
import { useNarrow } from "./useViewport";
import { Sized } from "./trial/Sized";

const Strip = dynamic(() => import("./trial/Strip").then((m) => m.Strip), { ssr: false });

/**
 * The stages of the program in turn: one of them is looked at, on every station. One alone is no program yet.
 * `plain`: only to choose.
 */
export function StagePicker({ plain = false }: { plain?: boolean }) {
  const { chamber, stage } = useChamber();
  const { live } = useShownTrial();
  const { onStage, change } = useActions();
  const preferences = usePreferences();
  const { stages } = chamber;
  const { scale } = preferences;
  const narrow = useNarrow();
  if (stages.length === 1) return null;
  const trial = live.answer?.trial;
  const reached = live.answer?.trial.stages ?? [];
  return (
    <nav aria-label="Stages of the program" className="grid gap-2">
      {narrow && !plain && trial && (
        <Sized className="h-[44px]">
          {(total) => <Strip trial={trial} view={{ from: 0, to: trial.days * 86_400 }} total={total} alone />}
        </Sized>
      )}
      <ol className="flex flex-wrap gap-2">
        {stages.map((s, i) => {
          const here = s.id === stage.id;
          return (
            <li key={s.id} className="min-w-0 grow basis-[min(10rem,100%)]">
              <button
                type="button"
                aria-current={here ? "step" : undefined}
                onClick={() => onStage(s.id)}
                className={`grid min-h-14 w-full content-center border-t-4 px-2 text-left leading-tight ${here ? "border-base-content bg-base-200 font-bold" : "rule-line hover:bg-base-200/60"}`}
              >
                <span>
                  {i + 1}. {stageName(stages, s.id)}
                </span>
                <span className="text-sm font-normal">
                  {printTemperature(s.low, scale)} to {printTemperature(s.high, scale)}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <p className="quiet grow">
          {stageName(stages, stage.id)} goes on {sayEnds(stage, chamber, scale)}.
          {!reached.some((r) => r.id === stage.id) && reached.length > 0 && " The trial does not come to it."}
        </p>
        {!plain && (
          <>
            <button type="button" className="key px-2" onClick={() => change(addStage(stage.id), "another stage")}>
              <Plus size={16} aria-hidden /> A stage after it
            </button>
            <button
              type="button"
              className="key px-2"
              onClick={() => change(removeStage(stage.id), `${stageName(stages, stage.id)} out`)}
            >
              <X size={16} aria-hidden /> Take it out
            </button>
          </>
        )}
      </div>
    </nav>
  );
}
