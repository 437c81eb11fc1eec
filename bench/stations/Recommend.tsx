"use client";

import { Search } from "lucide-react";
import { useMemo, useState } from "react";
import { hasFire, hasHeater, hasIce } from "@/core/chamber";
import { labelOf, printSetting, switchingParametersOf } from "@/core/controller";
import { controllerName } from "@/core/program";
import { judgedName } from "@/core/trial";
import { withArticle } from "@/core/verdict";
import { explain, type TradePoint } from "@/core/recommend";
import { placeLabel } from "@/core/probe";
import { midSentence } from "@/core/quantity";
import { Toggle } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { SearchRuns } from "./SearchRuns";
import { sayPoint, TradeOff } from "./TradeOff";
import { useRecommend } from "./useRecommend";

/** The best numbers for this chamber over the worst weather of its room, and what each other choice costs. */
export function Recommend() {
  const { record, chamber, stage, controller, control } = useChamber();
  const { apply, tryRemedy } = useActions();
  const preferences = usePreferences();
  const judged = judgedName(control.holds, chamber.vessels);
  const { scale } = preferences;
  const [probe, setProbe] = useState(false);
  const [heater, setHeater] = useState(false);
  const [picked, setPicked] = useState<TradePoint | null>(null);
  const about = `${stage.id} ${controller.id}`;
  const search = useRecommend(record, about);
  const { running, progress, answer, failed } = search;
  const found = answer?.found ?? null;
  const explanation = useMemo(() => (answer ? explain(answer.of, answer.found, scale) : []), [answer, scale]);
  const old = answer !== null && answer.of !== record;
  const chosen =
    picked && found && [...found.points, found.present, ...found.schools.map((s) => s.point)].includes(picked)
      ? picked
      : (found?.best ?? null);
  const remedyOf = (point: TradePoint) => ({
    id: "recommended",
    label: `Take ${sayPoint(point, scale)}`,
    edits: point.edits,
  });
  return (
    <section className="rule-line grid gap-3 border-t pt-3" aria-label="The best numbers">
      <h3 className="text-lg">The best numbers for the worst weather</h3>
      <p className="quiet max-w-prose">
        Runs hundreds of trials of your box in its coldest, a mild and its hottest room, and looks for the settings that
        keep {withArticle(judged)} nearest to its target with the fewest starts and no chasing.
        {hasFire(chamber) && " The fire is taken as kept fed."}
        {hasIce(chamber) && " The ice is taken as changed every day, or as often as you say."}
      </p>
      <div className="flex flex-wrap gap-x-6">
        <Toggle label="Look for the place of the probe too" value={probe} onChange={setProbe} />
        {hasHeater(chamber) && !hasFire(chamber) && (
          <Toggle label="Look for the size of the heater too" value={heater} onChange={setHeater} />
        )}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        {running ? (
          <SearchRuns progress={progress} onStop={search.cancel} />
        ) : (
          <button
            type="button"
            className="key key-strong"
            onClick={() => void search.start({ probe, heater, stage: stage.id, controller: controller.id })}
          >
            <Search size={18} aria-hidden /> {found ? "Search again" : "Find the best numbers"}
          </button>
        )}
        {old && !running && <span className="quiet">Something has changed since this search.</span>}
      </div>
      {failed !== null && <p role="alert">The search could not be run: {failed}. Nothing is lost: search again.</p>}
      {found && (
        <>
          {found.best ? (
            explanation.map((line) => (
              <p key={line} className="max-w-prose" data-part="explanation">
                {line}
              </p>
            ))
          ) : (
            <div className="border-warning grid gap-2 border-l-4 pl-3" data-part="binding">
              <p>
                <strong>Nothing holds this band in every weather.</strong> {found.binding!.text[scale]}
              </p>
              {found.binding!.relaxations.length > 0 ? (
                <>
                  <p>{found.binding!.relaxations.length > 1 ? "Any one of these relaxes it:" : "This relaxes it:"}</p>
                  <div className="flex flex-wrap gap-2">
                    {found.binding!.relaxations.map(({ label, edits }) => (
                      <button
                        key={label.C}
                        type="button"
                        className="key text-left"
                        onClick={() => apply(edits, midSentence(label[scale]))}
                      >
                        {label[scale]}
                      </button>
                    ))}
                  </div>
                  <p className="quiet">
                    Each was tried in all three rooms. Take one, then search again for its numbers.
                  </p>
                </>
              ) : (
                <p className="quiet">
                  None of the usual changes relaxes it alone. The points below show how near it comes.
                </p>
              )}
            </div>
          )}
          <TradeOff found={found} scale={scale} chosen={chosen} onChoose={setPicked} />
          {chosen && (
            <div className="grid gap-2">
              <p>
                <strong>{sayPoint(chosen, scale)}.</strong>{" "}
                {found.controllers
                  .flatMap((id) => {
                    const c = chamber.controllers.findIndex((u) => u.id === id);
                    const own = chamber.controllers[c];
                    if (!own) return [];
                    const of = found.controllers.length > 1 ? ` of ${controllerName(chamber, id)}` : "";
                    return switchingParametersOf(own.unit).map(
                      (n) =>
                        `${labelOf(n, own.unit)}${of} ${printSetting(chosen.score.settings[c]!, n, own.unit, scale)}`,
                    );
                  })
                  .join(", ")}
                {chosen.place !== found.present.place &&
                  `, probe: ${placeLabel(chosen.place, chamber.cabinet).toLowerCase()}`}
                {chosen.heaterPower !== found.present.heaterPower && `, heater of ${chosen.heaterPower}\u00a0W`}.
              </p>
              <div className="flex flex-wrap gap-2">
                <button type="button" className="key" onClick={() => tryRemedy(remedyOf(chosen))}>
                  Try it
                </button>
                <button type="button" className="key key-strong" onClick={() => apply(chosen.edits, "best numbers")}>
                  Keep it
                </button>
              </div>
            </div>
          )}
        </>
      )}
    </section>
  );
}
