"use client";

import { useDeferredValue, useMemo } from "react";
import { stageName } from "@/core/program";
import type { Channel, Trial } from "@/core/trial";
import { STRIP, TraceChart } from "@/parts/trace";
import { usePreferences, useShownTrial } from "../context";
import { hasProgram } from "../hasProgram";
import { VerdictList } from "../VerdictList";
import { Sized } from "./Sized";
import { Strip } from "./Strip";
import { WorstMoment } from "./WorstMoment";
import { useAlarms } from "./useAlarms";
import { useDevices } from "./useDevices";
import { useOtherVessels } from "./useOtherVessels";

const ofAir: readonly Channel[] = ["product", "probe", "room"];

/** Trace, inset and verdicts in a strip under the station. */
export function Dock({ trial, ghost, near }: { trial: Trial; ghost: Trial | null; near: boolean }) {
  const { of, verdicts, judged } = useShownTrial();
  const preferences = usePreferences();
  const { scale } = preferences;
  // The inset follows a moment later: the trace itself is what the hand waits for.
  const late = useDeferredValue(trial);
  const alarms = useAlarms();
  const devices = useDevices();
  const stages = of?.chamber.stages;
  const names = useMemo(() => (stages ?? []).map((s) => stageName(stages!, s.id)), [stages]);
  // Their names stand in the strip above.
  const bare = useMemo(() => names.map(() => ""), [names]);
  const layers = useOtherVessels(trial.trace);
  const happenings = of?.record.happenings;
  const marks = useMemo(() => (happenings ?? []).map((h) => ({ at: h.at, to: null })), [happenings]);
  const program = hasProgram(of?.chamber.stages ?? []);
  const whole = useMemo(() => ({ from: 0, to: trial.days * 86_400 }), [trial.days]);
  return (
    <div className="grid min-h-0 grid-cols-[1fr_18rem] gap-3 pr-2 lg:grid-cols-[1fr_236px_380px]">
      <Sized className="min-h-0">
        {(width, h) => (
          <>
            {program && <Strip trial={trial} view={whole} total={width} />}
            <TraceChart
              trace={trial.trace}
              startHour={trial.startHour}
              ghost={ghost?.trace ?? null}
              bands={trial.bands}
              stageNames={bare}
              layers={layers}
              alarms={alarms}
              scale={scale}
              width={width}
              height={h - (program ? STRIP : 0)}
              near={near}
              arrival={trial.metrics.timeToBand}
              startsAt={of?.chamber.program.startsAt}
              moment={verdicts[0]?.moment ?? null}
              happenings={marks}
              judged={judged}
              shown={judged === "air" ? ofAir : undefined}
              {...devices}
            />
          </>
        )}
      </Sized>
      <div className="grid min-h-0 grid-rows-[auto_1fr] max-lg:hidden">
        <h3 className="text-sm leading-5 font-semibold">Three hours at the worst moment</h3>
        <WorstMoment trial={late} className="min-h-0" />
      </div>
      <div
        className="rule-line min-h-0 overflow-y-auto border-l pr-1 pl-3 text-[0.9375rem] leading-snug"
        tabIndex={0}
        role="group"
        aria-label="Verdicts"
      >
        <VerdictList />
      </div>
    </div>
  );
}
