"use client";

import { ChevronDown, ChevronUp, Maximize2, Minimize2 } from "lucide-react";
import { useEffect, useRef } from "react";
import { measures, printDuration, printMeasure } from "@/core/quantity";
import type { Trial } from "@/core/trial";
import { useSize } from "@/parts/ruler";
import { InsetChart, sayTrial, TraceChart } from "@/parts/trace";
import { setPreferences } from "@/workshop";
import { useBench } from "./context";
import { VerdictTitle } from "./VerdictView";
import { VerdictList } from "./VerdictList";

export type TrialSize = "folded" | "open" | "full";
const lengths = [1, 3, 7, 14, 30] as const;

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
      className={`bg-base-100 border-base-content grid grid-rows-[auto_1fr] border-t-2 outline-none ${height} ${size === "full" ? "overflow-y-auto" : "overflow-hidden"}`}
      data-trial={live.answer ? live.answer.took : "none"}
      data-busy={live.busy}
    >
      <Bar {...{ size, onSize, near, onNear, narrow }} />
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
              <div className={size === "full" ? "grid gap-6 lg:grid-cols-[minmax(0,26rem)_1fr]" : "contents"}>
                <div className="grid min-h-0 grid-rows-[auto_1fr]">
                  <h3 className="text-sm leading-5 font-semibold">Three hours at the worst moment</h3>
                  <Sized className={size === "full" ? "h-56" : "min-h-0"}>
                    {(width, h) => (
                      <InsetChart trial={trial} band={plan.ask} scale={preferences.scale} width={width} height={h} />
                    )}
                  </Sized>
                  {size === "full" && <Figures trial={trial} />}
                </div>
                <div
                  className={
                    size === "full"
                      ? ""
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

function Bar({ size, onSize, near, onNear, narrow }: Omit<Props, "ghost">) {
  const { live, verdicts, preferences } = useBench();
  const trial = live.answer?.trial;
  const worst = verdicts[0];
  const reached = trial?.metrics.timeToBand;
  const folded = size === "folded" || (narrow && size !== "full");
  return (
    <div className={`flex items-center gap-3 px-3 ${folded ? "h-full" : "h-12"}`}>
      <button
        type="button"
        className="flex min-h-11 min-w-0 grow items-center gap-3 text-left"
        onClick={() => onSize(folded ? (narrow ? "full" : "open") : size === "full" ? "open" : "full")}
      >
        <h2 className="shrink-0 text-lg">Trial</h2>
        {folded && worst ? (
          <span className="min-w-0 truncate">
            <VerdictTitle verdict={worst} />
          </span>
        ) : (
          <span className="quiet min-w-0 truncate">
            {trial
              ? `${reached === null || reached === undefined ? "never in its band" : reached === 0 ? "in its band from the start" : `in its band after ${printDuration(reached)}`}${size === "full" ? "" : `, ${starts(trial)}`}`
              : "running …"}
          </span>
        )}
      </button>
      {!folded && (
        <>
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="accent-base-content h-5 w-5"
              checked={near}
              onChange={(e) => onNear(e.target.checked)}
            />
            near the band
          </label>
          <label className="flex items-center gap-2">
            <span className="sr-only">Length of the trial</span>
            <select
              className="rule-line bg-base-100 h-10 rounded border px-2"
              value={preferences.trialDays}
              onChange={(e) => setPreferences({ trialDays: Number(e.target.value) as (typeof lengths)[number] })}
            >
              {lengths.map((days) => (
                <option key={days} value={days}>
                  {days === 1 ? "1 day" : `${days} days`}
                </option>
              ))}
            </select>
          </label>
        </>
      )}
      {!narrow && size !== "full" && (
        <button
          type="button"
          className="key border-transparent px-0"
          onClick={() => onSize(size === "folded" ? "open" : "folded")}
          aria-label={size === "folded" ? "Unfold the trial" : "Fold the trial"}
        >
          {size === "folded" ? <ChevronUp size={20} aria-hidden /> : <ChevronDown size={20} aria-hidden />}
        </button>
      )}
      <button
        type="button"
        className="key border-transparent px-0"
        onClick={() => onSize(size === "full" ? (narrow ? "folded" : "open") : "full")}
        aria-label={size === "full" ? "Close the full trial" : "Trial on the whole screen"}
      >
        {size === "full" ? <Minimize2 size={19} aria-hidden /> : <Maximize2 size={19} aria-hidden />}
      </button>
    </div>
  );
}

function starts({ metrics, days }: Trial): string {
  const { compressorStarts } = metrics;
  if (compressorStarts === 0) return "the compressor never starts";
  const perDay = compressorStarts / days;
  return perDay < 1.5
    ? `${compressorStarts} compressor ${compressorStarts === 1 ? "start" : "starts"} in all`
    : `${Math.round(perDay)} compressor starts a day`;
}

/** What the trial amounts to, in figures. */
function Figures({ trial }: { trial: Trial }) {
  const { metrics } = trial;
  const percent = (share: number) => `${Math.round(share * 100)}\u00a0%`;
  const perDay = (joules: number) => `${(joules / 3.6e6 / trial.days).toFixed(2)}\u00a0kWh`;
  const rows: [string, string][] = [
    ["From start to the band", metrics.timeToBand === null ? "never" : printDuration(metrics.timeToBand)],
    ["In the band since then", percent(metrics.inBand)],
    ["Heater on", percent(metrics.heatDuty)],
    ["Compressor on", percent(metrics.coldDuty)],
    ["Compressor starts a day", metrics.compressorStartsPerDay.toFixed(1)],
    ["Shortest rest of the compressor", metrics.shortestRest === null ? "\u2013" : printDuration(metrics.shortestRest)],
    ["Longest run of the compressor", metrics.longestRun === null ? "\u2013" : printDuration(metrics.longestRun)],
    ["Heat and cold answering each other, a day", metrics.reversals.perDay.toFixed(1)],
    ["Heat a day", perDay(metrics.energy.heater)],
    ["Compressor\u2019s electricity a day (estimate)", perDay(metrics.energy.compressor)],
    [
      "The beer\u2019s own heat in all",
      printMeasure(Math.round(metrics.energy.product / trial.days / 86_400), measures.power, "metric") + " on average",
    ],
  ];
  return (
    <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4">
      {rows.map(([name, value]) => (
        <div key={name} className="rule-line col-span-2 grid grid-cols-subgrid border-b py-1">
          <dt>{name}</dt>
          <dd className="text-right font-semibold">{value}</dd>
        </div>
      ))}
    </dl>
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
