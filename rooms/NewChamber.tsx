"use client";

import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { describe, newChamber, tryEdits } from "@/core/chamber";
import { productKinds, type Edit, type ProductKind } from "@/core/model";
import { productLabels } from "@/core/product";
import { celsius, measures } from "@/core/quantity";
import { CabinetDrawing } from "@/parts/cabinet";
import { Choice, measureKind, NumberField, temperatureKind } from "@/parts/fields";
import { addChamber, useWorkshop } from "@/workshop";
import { RoomHead } from "./RoomHead";

interface Answers {
  kind: ProductKind;
  height: number;
  width: number;
  low: number;
  high: number;
}

const editsOf = (a: Answers): Edit[] => [
  { section: "product", field: "kind", value: a.kind },
  { section: "cabinet", field: "height", value: a.height },
  { section: "cabinet", field: "width", value: a.width },
  { section: "room", field: "low", value: celsius(a.low) },
  { section: "room", field: "high", value: celsius(a.high) },
];

/** Three questions, and a bench with sensible settings and a trial. */
export function NewChamber() {
  const router = useRouter();
  const { preferences, status } = useWorkshop();
  const { scale, system } = preferences;
  const [answers, setAnswers] = useState<Answers>({ kind: "ale", height: 1.7, width: 0.6, low: 12, high: 22 });
  const [name, setName] = useState("");
  const [problem, setProblem] = useState<string | null>(null);

  const tried = useMemo(
    () => tryEdits(newChamber("new", "New", "2026-01-01T00:00:00.000Z"), editsOf(answers)),
    [answers],
  );
  const set = (field: keyof Answers) => (value: number) => {
    const next = { ...answers, [field]: value };
    const result = tryEdits(newChamber("new", "New", "2026-01-01T00:00:00.000Z"), editsOf(next));
    if (!result.ok) return result.problem;
    setAnswers(next);
    return null;
  };
  const length = measureKind(measures.length, system);
  const temperature = temperatureKind(scale, 0.1, 1);
  const create = () => {
    // A unit bought where people think in °F shows °F.
    const unit: Edit[] = scale === "F" ? [{ section: "unit", field: "scale", value: "F" }] : [];
    const made = addChamber(name || `${productLabels[answers.kind]} in the cabinet`, [...editsOf(answers), ...unit]);
    if ("problem" in made) setProblem(made.problem);
    else router.push(`/bench?c=${made.id}&at=job`);
  };
  if (status !== "open") return null;
  return (
    <>
      <RoomHead title="New chamber" />
      <main className="mx-auto flex max-w-5xl flex-wrap gap-x-10 gap-y-6 px-4 py-6 md:px-8">
        <form
          className="grid grow basis-96 content-start gap-7"
          onSubmit={(e) => {
            e.preventDefault();
            create();
          }}
        >
          <section className="grid gap-2">
            <h2 className="text-2xl">1. What is in it?</h2>
            <Choice
              label="Product"
              value={answers.kind}
              options={productKinds.map((kind) => ({ value: kind, label: productLabels[kind] }))}
              onChoose={(kind) => setAnswers((a) => ({ ...a, kind }))}
            />
          </section>
          <section className="grid gap-2">
            <h2 className="text-2xl">2. In what box?</h2>
            <p className="quiet">An upright cabinet: a larder fridge with its shelves out. Measured outside.</p>
            <div className="grid grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-x-6">
              <NumberField label="Height" kind={length} value={answers.height} onCommit={set("height")} />
              <NumberField label="Width" kind={length} value={answers.width} onCommit={set("width")} />
            </div>
          </section>
          <section className="grid gap-2">
            <h2 className="text-2xl">3. In what room?</h2>
            <div className="grid grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-x-6">
              <NumberField
                label="Coldest"
                kind={temperature}
                value={answers.low}
                onCommit={set("low")}
                hint="The coldest night of the run."
              />
              <NumberField
                label="Warmest"
                kind={temperature}
                value={answers.high}
                onCommit={set("high")}
                hint="The hottest afternoon."
              />
            </div>
          </section>
          <label className="grid max-w-md gap-1">
            <span className="font-semibold">Name it, if you like</span>
            <input
              className="border-base-content/45 h-11 rounded border bg-transparent px-3"
              value={name}
              maxLength={60}
              placeholder={`${productLabels[answers.kind]} in the cabinet`}
              onChange={(e) => setName(e.target.value)}
            />
          </label>
          {problem && (
            <p role="alert" className="text-error font-semibold">
              {problem}
            </p>
          )}
          <button className="key key-strong justify-self-start">Put it on the shelf and open it</button>
        </form>
        <div className="hidden md:block">
          {tried.ok && <CabinetDrawing chamber={describe(tried.value)} metre={200} system={system} measured />}
        </div>
      </main>
    </>
  );
}
