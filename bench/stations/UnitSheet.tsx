"use client";

import { Download, Upload } from "lucide-react";
import { useState } from "react";
import {
  displayMomentLabel,
  genericSheets,
  keyingSteps,
  parametersOf,
  plainLabel,
  readSheet,
  writeSheet,
} from "@/core/controller";
import {
  displayMoments,
  refusalOf,
  unitShape,
  type DisplayMoment,
  type Edit,
  type SettingName,
  type Unit,
} from "@/core/model";
import { NumberField, plainKind, Select, TextField } from "@/parts/fields";
import { download, FileKey, Fold } from "@/parts/common";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";

const pauses: { value: Unit["pause"]; label: string }[] = [
  { value: "unknown", label: "I do not know" },
  { value: "saves", label: "Saves what was changed" },
  { value: "drops", label: "Drops what was changed" },
];

/** A whole unit as edits, so that taking a sheet over is one undoable step. */
const editsOfUnit = (unit: Unit, id: string): Edit[] =>
  (Object.keys(unitShape) as (keyof Unit & string)[]).map(
    (field) => ({ section: "unit", field, id, value: unit[field] }) as Edit,
  );

/** The sheet of the user's own unit: its names, its order, its way in and out. Everything prints with them. */
export function UnitSheet() {
  const { controller, unit, control } = useChamber();
  const { apply } = useActions();
  const preferences = usePreferences();
  const { id } = controller;
  const [problem, setProblem] = useState<string | null>(null);
  const put = (field: "name" | "enter" | "leave", label: string) => (value: string) =>
    apply([{ section: "unit", field, id, value } as Edit], label);
  const relabel = (name: SettingName, part: Partial<{ label: string; position: number }>) => {
    const now = unit.labels[name] ?? { label: "", position: 0 };
    return apply(
      [{ section: "unit", field: "labels", id, value: { ...unit.labels, [name]: { ...now, ...part } } }],
      "label",
    );
  };
  const show = (moment: DisplayMoment, word: string) => {
    const { [moment]: _old, ...rest } = unit.shows;
    return apply(
      [{ section: "unit", field: "shows", id, value: word ? { ...rest, [moment]: word } : rest }],
      "what its display shows",
    );
  };
  const take = async (chosen: File) => {
    const sheet = readSheet(await chosen.text());
    setProblem(sheet.ok ? refusalOf(apply(editsOfUnit(sheet.value, id), "unit sheet")) : sheet.problem);
  };
  return (
    <Fold summary="Its sheet: what things are called on your unit" part="unit-sheet">
      <div className="grid gap-5 pt-2">
        <p className="quiet max-w-prose">
          Fill this in once from your own unit and its paper. Every instruction, the sentence and the card then read in
          its order and with its words.
        </p>
        <Fields title="The unit">
          <TextField label="What you call it" value={unit.name} most={40} onCommit={put("name", "name of the unit")} />
          <TextField
            label="How one gets into its settings"
            value={unit.enter}
            most={160}
            onCommit={put("enter", "way in")}
            hint="Which buttons, how long."
          />
          <TextField
            label="How one saves and leaves"
            value={unit.leave}
            most={160}
            onCommit={put("leave", "way out")}
          />
          <Select
            label="A pause while setting"
            value={unit.pause}
            options={pauses}
            onChoose={(value) => apply([{ section: "unit", field: "pause", id, value }], "pause")}
          />
          {unit.pause !== "unknown" && (
            <NumberField
              label="… after"
              kind={plainKind("s", 1)}
              value={unit.pauseAfter}
              onCommit={(value) => apply([{ section: "unit", field: "pauseAfter", id, value }], "pause")}
            />
          )}
        </Fields>
        <section className="grid gap-2">
          <h3 className="text-lg">Its parameters, as its display names them</h3>
          <ul className="grid gap-x-6 gap-y-1 md:grid-cols-2">
            {parametersOf({ ...unit, labels: {} }).map((name) => (
              <li key={name} className="rule-line grid grid-cols-[1fr_9.5rem] items-start gap-3 border-b pt-1">
                <TextField
                  label={`${plainLabel(name, unit)} is called`}
                  value={unit.labels[name]?.label ?? ""}
                  most={24}
                  onCommit={(label) => relabel(name, { label })}
                />
                <NumberField
                  label="Place"
                  kind={plainKind("", 1)}
                  value={unit.labels[name]?.position ?? 0}
                  name={`place of ${name}`}
                  onCommit={(position) => relabel(name, { position })}
                  hint="0: not said"
                />
              </li>
            ))}
          </ul>
        </section>
        <Fields
          title="What its display shows when …"
          note="Empty: not said. The card, the verdicts and the sentences then use these words beside their own."
        >
          {displayMoments.map((moment) => (
            <TextField
              key={moment}
              label={displayMomentLabel[moment]}
              value={unit.shows[moment] ?? ""}
              most={12}
              onCommit={(word) => show(moment, word)}
            />
          ))}
        </Fields>
        <section className="grid gap-2" aria-label="Step by step">
          <h3 className="text-lg">Keying it in, step by step</h3>
          <ol className="max-w-prose list-decimal pl-6">
            {keyingSteps(control.settings, unit, control.plugged, unit.scale).map((step) => (
              <li key={step.text} className="py-0.5">
                {step.text}
                {step.value && (
                  <>
                    : <strong>{step.value}</strong>
                  </>
                )}
              </li>
            ))}
          </ol>
        </section>
        <div className="flex flex-wrap items-end gap-2">
          <button
            type="button"
            className="key"
            onClick={() => download(`unit-sheet-${unit.name || unit.kind}.json`, writeSheet(unit), "application/json")}
          >
            <Download size={18} aria-hidden /> Export this sheet
          </button>
          <FileKey label="A unit sheet" accept=".json,application/json" onFile={(file) => void take(file)}>
            <Upload size={18} aria-hidden /> Bring in a sheet
          </FileKey>
          <div className="w-72">
            <Select
              label="Or start from a plain sheet"
              value=""
              options={[
                { value: "", label: "choose …" },
                ...genericSheets(preferences.scale).map((s) => ({ value: s.kind as string, label: s.label })),
              ]}
              onChoose={(kind) => {
                const sheet = genericSheets(preferences.scale).find((s) => s.kind === kind);
                if (sheet) setProblem(refusalOf(apply(editsOfUnit(sheet.unit, id), "plain sheet")));
              }}
            />
          </div>
        </div>
        {problem && (
          <p role="alert" className="text-error font-semibold">
            {problem}
          </p>
        )}
      </div>
    </Fold>
  );
}
