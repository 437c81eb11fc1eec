"use client";

import dynamic from "next/dynamic";
import { useDeferredValue, useEffect, useMemo, useRef } from "react";
import { stageName } from "@/core/program";
import type { Channel, Trial } from "@/core/trial";
import { sayTrial, TraceChart } from "@/parts/trace";
import { usePreferences, useShownTrial } from "../context";
import { VerdictList } from "../VerdictList";
import { Sized } from "./Sized";
import { WorstMoment } from "./WorstMoment";
import { useAlarms } from "./useAlarms";
import { useDevices } from "./useDevices";
import { useOtherVessels } from "./useOtherVessels";
import { TrialBar, type TrialSize } from "./TrialBar";
import { TrialFailed } from "./TrialFailed";

/** Loaded when it is opened for the first time. */
const FullTrial = dynamic(() => import("./FullTrial").then((m) => m.FullTrial), { ssr: false });

export interface TrialPanelProps {
  size: TrialSize;
  onSize: (size: TrialSize) => void;
  ghost: Trial | null;
  near: boolean;
  onNear: (near: boolean) => void;
  narrow: boolean;
}

/** The trial along the bottom of the bench: it runs again with every edit, folds to a line and opens to the whole screen. */
export function TrialPanel({ size, onSize, ghost, near, onNear, narrow }: TrialPanelProps) {
  const { live } = useShownTrial();
  const preferences = usePreferences();
  const trial = live.answer?.trial ?? null;
  const panel = useRef<HTMLElement>(null);
  const full = size === "full";
  useEffect(() => {
    if (!full) return;
    const close = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement && event.target.type !== "checkbox";
      if (event.key === "Escape" && !typing) onSize("open");
    };
    window.addEventListener("keydown", close);
    const before = document.activeElement;
    panel.current?.focus();
    return () => {
      window.removeEventListener("keydown", close);
      // Back to what opened it; the panel's own key is the same one that closed it.
      if (before instanceof HTMLElement && before !== document.body) before.focus({ preventScroll: true });
    };
  }, [full, onSize]);

  const folded = `tiny:sticky tiny:bottom-0 min-h-16 low:min-h-[46px]`;
  const height = full ? "fixed inset-0 z-40" : size === "open" && !narrow ? "h-[224px]" : folded;
  return (
    <section
      ref={panel}
      tabIndex={-1}
      aria-label="Trial"
      role={full ? "dialog" : undefined}
      aria-modal={full ? true : undefined}
      data-clips
      className={`bg-base-100 border-base-content grid grid-cols-1 grid-rows-[auto_1fr] border-t-2 outline-none ${height} ${full ? "overflow-y-auto" : "overflow-hidden"}`}
      data-trial={live.answer ? live.count : "none"}
      data-took={live.answer && [...Object.values(live.answer.took), live.round].map((t) => t.toFixed(1)).join(" ")}
      data-busy={live.busy}
    >
      <TrialBar {...{ size, onSize, near, onNear, narrow }} />
      {live.failed !== null && <TrialFailed {...live} />}
      {full && trial && <FullTrial trial={trial} ghost={ghost} near={near} />}
      {size === "open" && !narrow && trial && <Dock trial={trial} ghost={ghost} near={near} />}
      <p className="sr-only">{trial ? sayTrial(trial, preferences.scale) : "The trial is running."}</p>
    </section>
  );
}

const ofAir: readonly Channel[] = ["product", "probe", "room"];

/** Trace, inset and verdicts in a strip under the station. */
function Dock({ trial, ghost, near }: { trial: Trial; ghost: Trial | null; near: boolean }) {
  const { of, verdicts, judged } = useShownTrial();
  const preferences = usePreferences();
  const { scale } = preferences;
  // The inset follows a moment later: the trace itself is what the hand waits for.
  const late = useDeferredValue(trial);
  const alarms = useAlarms();
  const devices = useDevices();
  const stages = of?.chamber.stages;
  const names = useMemo(() => (stages ?? []).map((s) => stageName(stages!, s.id)), [stages]);
  const layers = useOtherVessels(trial.trace);
  const happenings = of?.record.happenings;
  const marks = useMemo(() => (happenings ?? []).map((h) => ({ at: h.at, to: null })), [happenings]);
  return (
    <div className="grid min-h-0 grid-cols-[1fr_18rem] gap-3 pr-2 lg:grid-cols-[1fr_236px_380px]">
      <Sized className="min-h-0">
        {(width, h) => (
          <TraceChart
            trace={trial.trace}
            startHour={trial.startHour}
            ghost={ghost?.trace ?? null}
            bands={trial.bands}
            stageNames={names}
            layers={layers}
            alarms={alarms}
            scale={scale}
            width={width}
            height={h}
            near={near}
            arrival={trial.metrics.timeToBand}
            startsAt={of?.chamber.program.startsAt}
            moment={verdicts[0]?.moment ?? null}
            happenings={marks}
            judged={judged}
            shown={judged === "air" ? ofAir : undefined}
            {...devices}
          />
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
