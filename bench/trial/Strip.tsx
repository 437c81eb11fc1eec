"use client";

import { useMemo } from "react";
import { endsAt, stageName } from "@/core/program";
import { printTemperature } from "@/core/quantity";
import { isKeying, stageSpans, type Trial } from "@/core/trial";
import { ProgramStrip, type View } from "@/parts/trace";
import { sayRefused } from "@/workshop";
import { useActions, useChamber, usePreferences, useShownTrial } from "../context";
import { useMoments } from "../useMoments";
import { useTodo } from "../useTodo";

interface Props {
  trial: Trial;
  view: View;
  total: number;
  /** It stands without a trace below it, and takes the whole width. */
  alone?: boolean;
}

/** The program above its trace; a chamber with one stage that never ends has none. */
export function Strip({ trial, view, total, alone = false }: Props) {
  const { chamber: now, stage } = useChamber();
  // The stages as the trial was run with them: the hand may have gone on.
  const chamber = useShownTrial().of?.chamber ?? now;
  const { apply, onStage } = useActions();
  const { scale } = usePreferences();
  const say = useMoments(trial);
  const todo = useTodo();
  const stages = useMemo(
    () =>
      stageSpans(trial).map((span) => {
        const { low, high } = chamber.stages.find((s) => s.id === span.id)!;
        const name = stageName(chamber.stages, span.id);
        return { ...span, name, says: `${printTemperature(low, scale)} to ${printTemperature(high, scale)}` };
      }),
    [trial, chamber, scale],
  );
  const pegs = todo.map((task) => ({ id: task.id, at: task.at, keyed: isKeying(task) }));
  return (
    <ProgramStrip
      {...{ stages, pegs, view, total, say, alone }}
      chosen={stage.id}
      onPick={onStage}
      onEnd={(id, to, merge) => {
        const moved = now.stages.find((s) => s.id === id);
        const span = stages.find((s) => s.id === id);
        if (!moved || !span) return;
        const timed = moved.ends.length === 0 || moved.ends.some((e) => e.kind === "after" || e.kind === "date");
        if (!timed && to > span.to) {
          const text = `${span.name} ends when what it waits for is there. To let it go on longer, change how it ends.`;
          sayRefused({ code: "contradiction", at: [], text });
        } else apply(endsAt(moved, span.from, to, now.program), `end of ${span.name}`, merge);
      }}
    />
  );
}
