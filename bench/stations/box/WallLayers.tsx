"use client";

import { Plus, X } from "lucide-react";
import { useState } from "react";
import { asOneLayer, transmittanceOf, wallStuffs, type WallStuff } from "@/core/chamber";
import { measures, printMeasure, printNumber } from "@/core/quantity";
import { measureKind, NumberField, Select } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../../context";

const MOST = 8;
const stuffs = Object.keys(wallStuffs) as WallStuff[];

/** A wall put together from its layers, and the one wall that lets as much through: taken over with a key. */
export function WallLayers() {
  const { chamber } = useChamber();
  const { apply } = useActions();
  const { system } = usePreferences();
  const [layers, setLayers] = useState<{ id: number; stuff: WallStuff; thickness: number }[]>([
    { id: 1, stuff: "plywood", thickness: 0.012 },
    { id: 2, stuff: "xps", thickness: 0.05 },
    { id: 3, stuff: "pp", thickness: 0.002 },
  ]);
  const plain = layers.map((l) => ({ thickness: l.thickness, conductivity: wallStuffs[l.stuff].conductivity }));
  const one = asOneLayer(plain);
  const change = (id: number, by: Partial<(typeof layers)[number]>) =>
    setLayers((all) => all.map((l) => (l.id === id ? { ...l, ...by } : l)));
  const same =
    one !== null &&
    Math.abs(one.thickness - chamber.cabinet.insulation) < 1e-6 &&
    Math.abs(one.conductivity - chamber.cabinet.conductivity) < 1e-6;
  return (
    <section className="grid gap-3" aria-label="Wall by its layers">
      <ul className="grid max-w-2xl gap-2">
        {layers.map((layer, i) => (
          <li key={layer.id} className="grid items-end gap-3 sm:grid-cols-[1fr_11rem_auto]">
            <Select
              label={`Layer ${i + 1}, from outside`}
              value={layer.stuff}
              options={stuffs.map((value) => ({
                value,
                label: `${wallStuffs[value].label}, ${wallStuffs[value].conductivity} W/mK`,
              }))}
              onChoose={(stuff: WallStuff) => change(layer.id, { stuff })}
            />
            <NumberField
              label={`Thickness of layer ${i + 1}`}
              kind={measureKind(measures.thickness, system)}
              value={layer.thickness}
              onCommit={(thickness) => {
                if (thickness < 0.0001 || thickness > 0.4) return "Between 0.1 and 400 mm.";
                change(layer.id, { thickness });
                return null;
              }}
            />
            <button
              type="button"
              className="key"
              aria-label={`Take layer ${i + 1} out`}
              disabled={layers.length === 1}
              onClick={() => setLayers((all) => all.filter((l) => l.id !== layer.id))}
            >
              <X size={18} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-center gap-3">
        {layers.length < MOST && (
          <button
            type="button"
            className="key"
            onClick={() =>
              setLayers((all) => [...all, { id: Math.max(...all.map((l) => l.id)) + 1, stuff: "eps", thickness: 0.02 }])
            }
          >
            <Plus size={16} aria-hidden /> Another layer
          </button>
        )}
        {one && !same && (
          <button
            type="button"
            className="key"
            onClick={() =>
              apply(
                [
                  { section: "cabinet", field: "insulation", value: one.thickness },
                  { section: "cabinet", field: "conductivity", value: one.conductivity },
                ],
                "wall by its layers",
              )
            }
          >
            Take this wall
          </button>
        )}
      </div>
      {one && (
        <p className="max-w-prose" aria-live="polite">
          Together {printMeasure(Math.round(one.thickness * 1e4) / 1e4, measures.thickness, system)}, as if of one stuff
          of {printNumber(one.conductivity, 0.001)} W/mK:{" "}
          <strong>{printNumber(transmittanceOf(plain), 0.01)} W/m²K</strong> between two indoor faces (ISO 6946).
          {same && " The box has this wall."} Where timber or metal goes through the foam more is lost than this says.
        </p>
      )}
    </section>
  );
}
