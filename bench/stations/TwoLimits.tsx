"use client";

import { useState } from "react";
import { bandOf, labelOf, parametersOf, printSetting, settingsForLimits, settingEdits } from "@/core/controller";
import { fieldProblem } from "@/core/model";
import { celsius, type Temperature } from "@/core/quantity";
import { NumberField, temperatureKind } from "@/parts/fields";
import { Fold } from "@/parts/common";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { settingProblem } from "./settingKind";

/** Settings from the two readings between which it shall stay. */
export function TwoLimits() {
  const { stage, controller, unit, control } = useChamber();
  const { apply } = useActions();
  const preferences = usePreferences();
  const { scale } = preferences;
  const now = bandOf(control.settings, unit);
  const [typed, setTyped] = useState<{ low?: Temperature; high?: Temperature }>({});
  const low = typed.low ?? now.low;
  const high = typed.high ?? now.high;
  const [problem, setProblem] = useState<string | null>(null);
  const kind = temperatureKind(scale, scale === unit.scale ? unit.resolution : 0.1);
  const settings = low < high ? settingsForLimits(low, high, unit, control.settings) : null;
  const set = (end: "low" | "high") => (value: number) => {
    const why = fieldProblem({ section: "settings", field: `${end}Limit` }, value);
    if (!why) setTyped((t) => ({ ...t, [end]: celsius(value) }));
    return why;
  };
  return (
    <Fold summary="From two limits">
      <Fields title="Between which two readings shall it stay?">
        <NumberField label="Lower limit" kind={kind} value={low} onCommit={set("low")} />
        <NumberField label="Upper limit" kind={kind} value={high} onCommit={set("high")} />
      </Fields>
      {settings ? (
        <p>
          {parametersOf(unit)
            .slice(0, 3)
            .filter((name) => name !== "compressorDelay" && !name.endsWith("Alarm"))
            .map((name) => `${labelOf(name, unit)} ${printSetting(settings, name, unit, scale)}`)
            .join(", ")}
          .
        </p>
      ) : (
        <p role="alert" className="text-error font-semibold">
          The lower limit has to be below the upper one.
        </p>
      )}
      <button
        type="button"
        className="key key-strong mt-2"
        disabled={!settings}
        onClick={() => {
          if (!settings) return;
          const refused = apply(
            settingEdits(settings, unit, { id: controller.id, stage: stage.id }, true),
            "settings from two limits",
          );
          setProblem(refused && settingProblem(refused, unit, scale));
          setTyped({});
        }}
      >
        Take these settings
      </button>
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
    </Fold>
  );
}
