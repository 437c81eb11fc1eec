"use client";

import { Search } from "lucide-react";
import type { Recommendation } from "@/core/recommend";
import type { Verdict } from "@/core/verdict";
import { useActions, useChamber, usePreferences } from "./context";
import { SearchRuns } from "./stations/SearchRuns";
import { sayPoint } from "./stations/TradeOff";
import { useRecommend } from "./stations/useRecommend";

/**
 * Where no remedy cures a verdict by itself: a search over everything that the unit can take says whether any settings
 * do. That none does is said only after it.
 */
export function NoCure({ verdict }: { verdict: Verdict }) {
  const { record, plan, stage: shown, controller } = useChamber();
  // Of the stage and the controller that the verdict is about, whichever the station shows.
  const stage = verdict.stage ?? shown.id;
  const controls = plan.stages.find((s) => s.id === stage)?.controls ?? [];
  const about = controls.find((c) => c.holds === verdict.about || c.controller === verdict.about);
  const unit = about?.controller ?? controller.id;
  const search = useRecommend(record, `${stage} ${unit}`);
  const { running, progress, failed } = search;
  const found = search.answer?.of === record ? search.answer.found : null;
  if (running) return <SearchRuns progress={progress} onStop={search.cancel} />;
  if (found) return <Found found={found} />;
  return (
    <div className="grid justify-items-start gap-2">
      <p className="quiet">None of the usual remedies cures this by itself.</p>
      {failed !== null && <p role="alert">The search could not be run: {failed}. Nothing is lost: look again.</p>}
      <button
        type="button"
        className="key text-left"
        onClick={() => void search.start({ probe: false, heater: false, stage, controller: unit })}
      >
        <Search size={18} aria-hidden /> See whether any settings do
      </button>
    </div>
  );
}

function Found({ found }: { found: Recommendation }) {
  const { tryRemedy, keepRemedy } = useActions();
  const { scale } = usePreferences();
  const offer = (id: string, label: string, edits: Recommendation["present"]["edits"]) => (
    <li key={id} className="rule-line border-t pt-2">
      <p>
        <strong>{label}.</strong>
      </p>
      <div className="mt-1 flex gap-2">
        <button type="button" className="key" onClick={() => tryRemedy({ id, label, edits })}>
          Try it
        </button>
        <button type="button" className="key key-strong" onClick={() => keepRemedy({ id, label, edits })}>
          Keep it
        </button>
      </div>
    </li>
  );
  if (found.best)
    return (
      <div role="status">
        <p>These settings hold in the coldest, a mild and the hottest room:</p>
        <ul>{offer("recommended", `Take ${sayPoint(found.best, scale)}`, found.best.edits)}</ul>
      </div>
    );
  const { text, relaxations } = found.binding!;
  return (
    <div role="status" className="grid gap-2">
      <p>
        <strong>This cannot be cured by settings in all of its weather.</strong> {text[scale]}
      </p>
      {relaxations.length > 0 && (
        <>
          <p>What else relaxes it, each tried in all three rooms:</p>
          <ul className="grid gap-2">{relaxations.map((r) => offer(r.label.C, r.label[scale], r.edits))}</ul>
        </>
      )}
    </div>
  );
}
