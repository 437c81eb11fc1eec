"use client";

import { useState } from "react";
import { bandOf, labelOf, parametersOf, sentenceOf, settingEdits } from "@/core/controller";
import { fieldProblem, type SettingName, type Settings } from "@/core/model";
import { printTemperature } from "@/core/quantity";
import { planQuestions } from "@/core/trial";
import { NumberField } from "@/parts/fields";
import { Fold } from "@/parts/common";
import { useActions, useChamber, usePreferences } from "../context";
import { Remarks } from "./Remarks";
import { settingKind, settingProblem } from "./settingKind";

/** Numbers as they stand in a unit already: what it will do with them, before any of it is taken over. */
export function ReadBack() {
  const { chamber, stage, unitPlan, controller, unit, control } = useChamber();
  const { apply } = useActions();
  const preferences = usePreferences();
  const { scale } = preferences;
  const [typed, setTyped] = useState<Partial<Settings>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const settings: Settings = { ...control.settings, ...typed };
  const band = bandOf(settings, unit);
  const changed = Object.keys(typed).length > 0;
  return (
    <Fold summary="Numbers that stand in your unit already" part="read-back">
      <p className="quiet max-w-prose">
        Type what its display shows, in either scale. Nothing is taken over until you say so.
      </p>
      <div className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(min(13.5rem,100%),1fr))] gap-x-6 gap-y-2">
        {parametersOf(unit).map((name: SettingName) => (
          <NumberField
            key={name}
            label={`${labelOf(name, unit)}, in the unit`}
            kind={settingKind(name, unit, scale)}
            value={settings[name]}
            onCommit={(value) => {
              const why = fieldProblem({ section: "settings", field: name }, value);
              if (!why) setTyped((t) => ({ ...t, [name]: value }));
              return why;
            }}
          />
        ))}
      </div>
      <section aria-label="What your unit will do" className="border-base-content my-3 grid gap-1 border-l-4 pl-3">
        <h4 className="font-semibold">This is what your unit will do:</h4>
        {sentenceOf(settings, unit, control.plugged, scale).map((line) => (
          <p key={line}>{line}</p>
        ))}
        <p>
          Its reading stays between {printTemperature(band.low, scale)} and {printTemperature(band.high, scale)} where
          heat and cold are strong enough; your band is {printTemperature(control.request.low, scale)} to{" "}
          {printTemperature(control.request.high, scale)}.
        </p>
      </section>
      <Remarks findings={[]} questions={planQuestions(unitPlan, chamber, scale, settings)} />
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="key key-strong"
          onClick={() => {
            const refused = apply(
              settingEdits(settings, unit, { id: controller.id, stage: stage.id }),
              "numbers from the unit",
            );
            setProblem(refused && settingProblem(refused, unit, scale));
            if (!refused) setTyped({});
          }}
        >
          Take these numbers over
        </button>
        <button type="button" className="key" disabled={!changed} onClick={() => setTyped({})}>
          Start again
        </button>
      </div>
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
    </Fold>
  );
}
