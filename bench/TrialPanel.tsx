"use client";

import { useDeferredValue, useEffect, useRef } from "react";
import type { Trial } from "@/core/trial";
import { useSize } from "@/parts/ruler";
import { InsetChart, sayTrial, TraceChart } from "@/parts/trace";
import { useBench } from "./context";
import { TrialBar, type TrialSize } from "./TrialBar";
import { TrialFigures } from "./TrialFigures";
import { VerdictList } from "./VerdictList";

interface Props {
  size: TrialSize;
  onSize: (size: TrialSize) => void;
  ghost: Trial | null;
  near: boolean;
  onNear: (near: boolean) => void;
  narrow: boolean;
}

/** The trial along the bottom of the bench: it runs again with every edit, folds to a line and opens to the whole screen. */
export function TrialPanel({ size, onSize, ghost, near, onNear, narrow }: Props) {
  const { live, verdicts, preferences, plan } = useBench();
  const trial = live.answer?.trial ?? null;
  // The inset follows a moment later: the trace itself is what the hand waits for.
  const late = useDeferredValue(trial);
  const panel = useRef<HTMLElement>(null);
  useEffect(() => {
    if (size !== "full") return;
    const close = (event: KeyboardEvent) => event.key === "Escape" && onSize("open");
    window.addEventListener("keydown", close);
    panel.current?.focus();
    return () => window.removeEventListener("keydown", close);
  }, [size, onSize]);

  const height = size === "full" ? "fixed inset-0 z-40" : size === "open" && !narrow ? "h-[224px]" : "h-16";
  return (
    <section
      ref={panel}
      tabIndex={-1}
      aria-label="Trial"
      role={size === "full" ? "dialog" : undefined}
      className={`bg-base-100 border-base-content grid grid-cols-1 grid-rows-[auto_1fr] border-t-2 outline-none ${height} ${size === "full" ? "overflow-y-auto" : "overflow-hidden"}`}
      data-trial={live.answer ? live.count : "none"}
      data-took={live.answer?.took}
      data-busy={live.busy}
    >
      <TrialBar {...{ size, onSize, near, onNear, narrow }} />
      {(size === "full" || (size === "open" && !narrow)) && (
        <div
          className={
            size === "full"
              ? "grid content-start gap-4 p-3 md:p-5"
              : "grid min-h-0 grid-cols-[1fr_236px_380px] gap-3 pr-2"
          }
        >
          {live.failed && <p role="alert">The trial could not be run. Reload the page; nothing is lost.</p>}
          {trial && (
            <>
              <Sized className={size === "full" ? "h-[46vh] min-h-72" : "min-h-0"}>
                {(width, h) => (
                  <TraceChart
                    trial={trial}
                    ghost={ghost}
                    band={plan.ask}
                    alarms={{ low: plan.settings.lowAlarm, high: plan.settings.highAlarm }}
                    scale={preferences.scale}
                    width={width}
                    height={h}
                    near={near}
                    moment={verdicts[0]?.moment ?? null}
                  />
                )}
              </Sized>
              <div
                className={size === "full" ? "grid grid-cols-1 gap-6 lg:grid-cols-[minmax(0,26rem)_1fr]" : "contents"}
              >
                <div className="grid min-h-0 grid-rows-[auto_1fr]">
                  <h3 className="text-sm leading-5 font-semibold">Three hours at the worst moment</h3>
                  <Sized className={size === "full" ? "h-56" : "min-h-0"}>
                    {(width, h) => (
                      <InsetChart
                        trial={late ?? trial}
                        band={plan.ask}
                        scale={preferences.scale}
                        width={width}
                        height={h}
                      />
                    )}
                  </Sized>
                  {size === "full" && <TrialFigures trial={trial} scale={preferences.scale} />}
                </div>
                <div
                  className={
                    size === "full"
                      ? "max-lg:order-first"
                      : "min-h-0 overflow-y-auto border-l rule-line pl-3 pr-1 text-[15px] leading-snug"
                  }
                  tabIndex={size === "full" ? undefined : 0}
                  role="group"
                  aria-label="Verdicts"
                >
                  <VerdictList />
                </div>
              </div>
            </>
          )}
        </div>
      )}
      <p className="sr-only">{trial ? sayTrial(trial, preferences.scale) : "The trial is running."}</p>
    </section>
  );
}

/** Hands its own measured size to what it holds. */
function Sized({
  className,
  children,
}: {
  className: string;
  children: (width: number, height: number) => React.ReactNode;
}) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  return (
    <div ref={ref} className={`relative min-w-0 overflow-hidden ${className}`}>
      <div className="absolute inset-0">{width > 0 && height > 0 && children(width, height)}</div>
    </div>
  );
}
