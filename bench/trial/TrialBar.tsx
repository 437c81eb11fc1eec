"use client";

import { ChevronDown, ChevronUp, Maximize2, Minimize2 } from "lucide-react";
import { trialLengths, type Chamber } from "@/core/model";
import { atFirst, printDuration } from "@/core/quantity";
import { allReady, judgedName, readyWords, type Ensemble, type Trial } from "@/core/trial";
import { lengthField, setPreferences } from "@/workshop";
import { useChamber, usePreferences, useShownRange, useShownTrial } from "../context";
import { VerdictTitle } from "../VerdictTitle";

export type TrialSize = "folded" | "open" | "full";
const lengthWords = (days: number) => (days < 1 ? `${days * 24} hours` : days === 1 ? "1 day" : `${days} days`);

interface Props {
  size: TrialSize;
  onSize: (size: TrialSize) => void;
  near: boolean;
  onNear: (near: boolean) => void;
  narrow: boolean;
}

/** The trial's own line: what came out, how long it is, how large it is shown. */
export function TrialBar({ size, onSize, near, onNear, narrow }: Props) {
  const { live, verdicts, of } = useShownTrial();
  const { range } = useShownRange();
  const trial = live.answer?.trial;
  const worst = verdicts[0];
  const full = size === "full";
  const folded = size === "folded" || (narrow && !full);
  return (
    <div className={folded ? "h-full" : ""}>
      <div className={`flex items-center gap-3 px-3 ${folded ? "h-full" : "h-12"}`}>
        <button
          type="button"
          className="flex min-h-11 min-w-0 grow items-center gap-3 text-left"
          onClick={() => onSize(folded && !narrow ? "open" : full ? "open" : "full")}
        >
          <span className="font-title shrink-0 text-lg font-semibold">Trial</span>
          <span className={`min-w-0 ${narrow ? "low:text-sm leading-tight" : "truncate"}`}>
            {folded && worst ? (
              <VerdictTitle verdict={worst} />
            ) : (
              <span className="quiet">
                {trial && of
                  ? narrow
                    ? // The lanes below say between when and when: two lines are all the room there is.
                      arrivalOf(trial, of.chamber, null)
                    : `${arrivalOf(trial, of.chamber, range)}, ${starts(trial)}`
                  : live.failed === null
                    ? "running …"
                    : "could not be run"}
              </span>
            )}
          </span>
        </button>
        {!folded && !narrow && <TrialChoices near={near} onNear={onNear} />}
        {!narrow && !full && (
          <button
            type="button"
            className="key border-transparent px-0"
            onClick={() => onSize(folded ? "open" : "folded")}
            aria-label={folded ? "Unfold the trial" : "Fold the trial"}
          >
            {folded ? <ChevronUp size={20} aria-hidden /> : <ChevronDown size={20} aria-hidden />}
          </button>
        )}
        <button
          type="button"
          className="key border-transparent px-0"
          onClick={() => onSize(full ? "open" : "full")}
          aria-label={full ? "Close the full trial" : "Trial on the whole screen"}
        >
          {full ? <Minimize2 size={19} aria-hidden /> : <Maximize2 size={19} aria-hidden />}
        </button>
      </div>
      {full && narrow && (
        <div className="rule-line flex flex-wrap items-center justify-between gap-x-3 gap-y-1 border-y px-3 py-1">
          <TrialChoices near={near} onNear={onNear} />
        </div>
      )}
    </div>
  );
}

/** The shortest length of a trial in which it is ready; null where the present one is enough, or none is. */
function lengthToEnd(days: number, range: Ensemble | null): number | null {
  const usual = (range && allReady(range)?.usual) ?? 0;
  const last = usual / 86_400;
  return last > days ? (trialLengths.find((length) => length >= last) ?? null) : null;
}

function TrialChoices({ near, onNear }: Pick<Props, "near" | "onNear">) {
  const { record } = useChamber();
  const { range } = useShownRange();
  const preferences = usePreferences();
  const field = lengthField(record);
  const toEnd = lengthToEnd(preferences[field], range);
  return (
    <>
      {toEnd !== null && (
        <button
          type="button"
          className="key hand:order-last shrink-0"
          onClick={() => setPreferences({ [field]: toEnd })}
        >
          Run it to its end
        </button>
      )}
      <label className="flex min-h-11 shrink-0 items-center gap-2 whitespace-nowrap">
        <input
          type="checkbox"
          className="accent-base-content h-5 w-5"
          checked={!near}
          onChange={(e) => onNear(!e.target.checked)}
        />
        whole range
      </label>
      <label>
        <span className="sr-only">Length of the trial</span>
        <select
          className="rule-line bg-base-100 h-11 rounded border px-2"
          value={preferences[field]}
          onChange={(e) => setPreferences({ [field]: Number(e.target.value) })}
        >
          {trialLengths.map((days) => (
            <option key={days} value={days}>
              {lengthWords(days)}
            </option>
          ))}
        </select>
      </label>
    </>
  );
}

/** How far it comes: through its program, or how much of the time what is judged is in its band, and since when. */
function arrivalOf(trial: Trial, chamber: Chamber, range: Ensemble | null): string {
  const ready = range && readyWords(range);
  const { stages, finishedAt, metrics, days } = trial;
  if (chamber.stages.length > 1) {
    if (finishedAt !== null) return ready ?? `ready after ${printDuration(finishedAt)}`;
    return `not ready in ${lengthWords(days)}, stage ${stages.length} of ${chamber.stages.length}${ready ? `; ${ready}` : ""}`;
  }
  if (finishedAt !== null) return ready ?? `ready after ${printDuration(finishedAt)}`;
  const { timeToBand, inBand, putIn } = metrics;
  const name = atFirst(judgedName(metrics.judged, chamber.vessels));
  if (timeToBand === null) return `${name} never in its band`;
  const atOnce = timeToBand - putIn < 60;
  const after = `after ${printDuration(timeToBand - putIn)}`;
  // Two things: when it is there for the first time, and how much of the time since then.
  const then = ready ? `; ${ready}` : "";
  return inBand > 0.995
    ? `${name} in its band ${atOnce ? "from the start" : after}${then}`
    : `${name} in its band ${Math.round(inBand * 100)} % of the time, first ${atOnce ? "at the start" : after}${then}`;
}

function starts({ metrics, days }: Trial): string {
  const { coldStarts } = metrics;
  if (coldStarts === 0) return `heat on ${Math.round(metrics.heatDuty * 100)} % of the time`;
  const perDay = coldStarts / days;
  return perDay < 1.5
    ? `${coldStarts} ${coldStarts === 1 ? "start" : "starts"} of the cooling in all`
    : `${Math.round(perDay)} starts of the cooling a day`;
}
