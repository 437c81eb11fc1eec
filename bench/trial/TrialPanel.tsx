"use client";

import dynamic from "next/dynamic";
import { useEffect, useRef } from "react";
import type { Trial } from "@/core/trial";
import { Contained } from "@/parts/common";
import { sayTrial } from "@/parts/trace";
import { useChamber, usePreferences, useShownTrial } from "../context";
import { hasProgram } from "../hasProgram";
import { TrialBar, type TrialSize } from "./TrialBar";
import { TrialFailed } from "./TrialFailed";

/** Drawing and verdicts come while the first trial still runs: nothing could be drawn before it. */
const loadDock = () => import("./Dock");
const Dock = dynamic(() => loadDock().then((m) => m.Dock), { ssr: false });
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
  const program = hasProgram(useChamber().chamber.stages);
  const panel = useRef<HTMLElement>(null);
  const full = size === "full";
  useEffect(() => {
    if (!narrow) void loadDock().catch(() => undefined);
  }, [narrow]);
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
  const height = full
    ? "fixed inset-0 z-40"
    : live.failed !== null
      ? // Why stands here, whole: nothing else is to be seen of it.
        "tiny:sticky tiny:bottom-0 max-h-[50dvh]"
      : size === "open" && !narrow
        ? program
          ? "h-[264px]"
          : "h-[224px]"
        : folded;
  return (
    <section
      ref={panel}
      tabIndex={-1}
      aria-label="Trial"
      role={full ? "dialog" : undefined}
      aria-modal={full ? true : undefined}
      data-clips
      className={`bg-base-100 border-base-content grid grid-cols-1 grid-rows-[auto_1fr] border-t-2 outline-none ${height} ${full || live.failed !== null ? "overflow-y-auto" : "overflow-hidden"}`}
      data-trial={live.answer ? live.count : "none"}
      data-took={live.answer && [...Object.values(live.answer.took), live.round].map((t) => t.toFixed(1)).join(" ")}
      data-busy={live.busy}
    >
      <TrialBar {...{ size, onSize, near, onNear, narrow }} />
      {live.failed !== null && <TrialFailed {...live} />}
      {full && trial && (
        <Contained name="the trial">
          <FullTrial trial={trial} ghost={ghost} near={near} />
        </Contained>
      )}
      {size === "open" && !narrow && trial && (
        <Contained name="the trial">
          <Dock trial={trial} ghost={ghost} near={near} />
        </Contained>
      )}
      <p className="sr-only">
        {trial
          ? sayTrial(trial, preferences.scale)
          : live.failed === null
            ? "The trial is running."
            : "The trial could not be run."}
      </p>
    </section>
  );
}
