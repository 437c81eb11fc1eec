"use client";

import { useState } from "react";
import { iceTable } from "@/core/demand";
import { measures, printClock, printMeasure, printNumber } from "@/core/quantity";
import { Choice, measureKind, NumberField } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../../context";

const counts = ["1", "2", "3", "4"] as const;

/** When frozen bottles are changed, and how many at a time: within the hours in which somebody is there. */
export function IceTimes() {
  const { chamber, stage } = useChamber();
  const { apply } = useActions();
  const { system } = usePreferences();
  const [changes, setChanges] = useState<(typeof counts)[number]>("2");
  const [bottle, setBottle] = useState(1.4);
  const rows = iceTable(chamber, stage, Number(changes), bottle);
  const kg = (m: number) => printMeasure(Math.round(m * 10) / 10, measures.mass, system);
  const day = rows.reduce((sum, r) => sum + r.ice, 0);
  const { attendedFrom, attendedTo } = chamber.program;
  const ice = chamber.coolers.find((c) => c.kind === "ice");
  const most = Math.max(...rows.map((r) => r.bottles * bottle));
  return (
    <section className="grid gap-4" aria-label="Ice by the clock">
      <p className="max-w-prose">
        With the room as it is and somebody there from {printClock(attendedFrom)} to {printClock(attendedTo)} (Job,
        program), it takes about <strong>{kg(day)}</strong> of ice a day (estimate; half to one and a half of it).
      </p>
      <div className="flex flex-wrap items-end gap-4">
        <Choice
          label="Changes a day"
          value={changes}
          options={counts.map((value) => ({ value, label: value }))}
          onChoose={setChanges}
        />
        <div className="max-w-48">
          <NumberField
            label="Ice in one bottle"
            name="ice-bottle"
            kind={measureKind(measures.mass, system)}
            value={bottle}
            onCommit={(v) => {
              if (v < 0.05 || v > 20) return "A bottle holds between 0.05 and 20 kg of ice.";
              setBottle(v);
              return null;
            }}
          />
        </div>
      </div>
      <div className="overflow-x-auto">
        <table className="table-sm table w-auto">
          <thead className="text-base-content">
            <tr>
              <th>At</th>
              <th className="text-right">Lasts until the next, h</th>
              <th className="text-right">Ice</th>
              <th className="text-right">Bottles</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.hour}>
                <th scope="row">{printClock(r.hour)}</th>
                <td className="text-right">{printNumber(r.lasts, 0.1)}</td>
                <td className="text-right">{kg(r.ice)}</td>
                <td className="text-right font-semibold">{r.bottles}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {ice && rows.some((r) => r.bottles > 0) && (
        <button
          type="button"
          className="key justify-self-start"
          onClick={() =>
            apply(
              [
                { section: "cooler", field: "iceMass", id: ice.id, value: Math.min(50, most) },
                { section: "cooler", field: "iceEvery", id: ice.id, value: (24 / Number(changes)) * 3600 },
              ],
              "ice by the clock",
            )
          }
        >
          Try it: {kg(most)} every {printNumber(24 / Number(changes), 0.1)} h in the trial
        </button>
      )}
    </section>
  );
}
