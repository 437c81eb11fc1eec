"use client";

import { useRouter } from "next/navigation";
import { useEffect, useMemo, useState } from "react";
import * as z from "zod/mini";
import {
  beginStages,
  boxes,
  cabinetDefaults,
  describe,
  isRound,
  jobEdits,
  jobs,
  newChamber,
  tryEdits,
} from "@/core/chamber";
import { cabinetKinds, type CabinetKind, type Edit } from "@/core/model";
import { celsius, fromScale, inDegrees, inScale, measures, printTemperature, type Scale } from "@/core/quantity";
import { CabinetDrawing } from "@/parts/cabinet";
import { Choice, Drafts, measureKind, NumberField, temperatureKind, useDraft } from "@/parts/fields";
import { addChamber, useWorkshop } from "@/workshop";
import { pool } from "@/workers";
import { RoomHead } from "./RoomHead";

interface Answers {
  job: string;
  box: CabinetKind;
  /** m; undefined where the usual measures of the box stand. */
  height?: number;
  width?: number;
  low: number;
  high: number;
}

const jobOf = (id: string) => jobs.find((j) => j.id === id)!;

const editsOf = (a: Answers, scale: Scale): Edit[] => [
  ...wholeDegrees(jobEdits(jobOf(a.job), a.box), scale),
  ...(a.height === undefined ? [] : [{ section: "cabinet", field: "height", value: a.height } as const]),
  ...(a.width === undefined ? [] : [{ section: "cabinet", field: "width", value: a.width } as const]),
  { section: "room", field: "low", value: celsius(a.low) },
  { section: "room", field: "high", value: celsius(a.high) },
];

/** Where people think in °F what a chamber begins with are whole degrees of it; what was typed stays as it is. */
const wholeDegrees = (edits: readonly Edit[], scale: Scale): Edit[] =>
  edits.map((e) => {
    const { value } = e;
    const temperature =
      (e.section === "stage" && ["low", "high", "target"].includes(e.field)) ||
      (e.section === "vessel" && e.field === "startTemperature") ||
      (e.section === "settings" && ["setpoint", "lowLimit", "highLimit"].includes(e.field));
    return scale === "F" && temperature && typeof value === "number"
      ? ({ ...e, value: fromScale(Math.round(inScale(celsius(value), "F")), "F") } as Edit)
      : e;
  });

const fresh = () => newChamber("new", "New", "2026-01-01T00:00:00.000Z");

interface Draft {
  answers: Answers;
  name: string;
}

/** 12 to 22 °C, or 54 to 72 °F. */
const usualRoom: Record<Scale, { low: number; high: number }> = {
  C: { low: 12, high: 22 },
  F: { low: fromScale(54, "F"), high: fromScale(72, "F") },
};

const draftShape = z.object({
  name: z.string().check(z.maxLength(60)),
  answers: z.object({
    job: z.enum(jobs.map((j) => j.id)),
    box: z.enum(cabinetKinds),
    height: z.optional(z.number()),
    width: z.optional(z.number()),
    low: z.number(),
    high: z.number(),
  }),
});

/** What was answered so far; nothing yet, or something that is none: as every new chamber begins. */
function answered(draft: string | null, scale: Scale): Draft {
  try {
    return draftShape.parse(JSON.parse(draft ?? ""));
  } catch {
    return { answers: { job: "ale", box: "upright", ...usualRoom[scale] }, name: "" };
  }
}

/** Three questions, and a bench with sensible settings and a trial. */
export const NewChamber = () => (
  <Drafts of="new">
    <Questions />
  </Drafts>
);

function Questions() {
  const router = useRouter();
  const { preferences, status } = useWorkshop();
  const { scale, system } = preferences;
  // What was answered survives a reload until the chamber stands on the shelf.
  const { draft, set: setDraft } = useDraft("answers");
  const { answers, name } = useMemo(() => answered(draft, scale), [draft, scale]);
  const keep = (next: Partial<Draft>) => setDraft(JSON.stringify({ answers, name, ...next }));
  const setAnswers = (change: (a: Answers) => Answers) => keep({ answers: change(answers) });
  const setName = (next: string) => keep({ name: next });
  const [allBoxes, setAllBoxes] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);

  const tried = useMemo(() => tryEdits(fresh(), editsOf(answers, scale)), [answers, scale]);
  const stages = useMemo(() => (tried.ok ? describe(beginStages(scale)(tried.value)).stages : []), [tried, scale]);
  const set = (field: "height" | "width" | "low" | "high") => (value: number) => {
    const next = { ...answers, [field]: value };
    const result = tryEdits(fresh(), editsOf(next, scale));
    if (!result.ok) return result.why;
    setAnswers(() => next);
    return null;
  };
  const job = jobOf(answers.job);
  const usual = cabinetDefaults(answers.box);
  const shown = allBoxes ? cabinetKinds : [...new Set([...job.boxes, answers.box])];
  const length = measureKind(measures.length, system);
  const temperature = temperatureKind(scale, 0.1, 1);
  const suggested = `${job.label}, ${boxes[answers.box].label.toLowerCase()}`.slice(0, 60);
  const create = () => {
    // A unit bought where people think in °F shows °F.
    const unit: Edit[] = scale === "F" ? [{ section: "unit", field: "scale", value: "F" }] : [];
    // Where people measure in inches the mains are nearly always 120 V; it can be said otherwise at the wiring.
    const mains: Edit[] = system === "customary" ? [{ section: "wiring", field: "mains", value: "one120" }] : [];
    const made = addChamber(
      name || suggested,
      [...editsOf(answers, scale), ...unit, ...mains],
      answers.job,
      beginStages(scale),
    );
    if ("problem" in made) setProblem(made.problem);
    else {
      setDraft(null);
      router.push(`/bench?c=${made.id}&at=settings`);
    }
  };
  // The bench comes next: its worker is made ready meanwhile.
  useEffect(() => pool.warm(), []);
  if (status !== "open") return null;
  return (
    <>
      <RoomHead title="New chamber" />
      <main className="mx-auto flex max-w-5xl flex-wrap gap-x-10 gap-y-6 px-4 py-6 md:px-8">
        <form
          className="grid min-w-0 grow basis-[min(24rem,100%)] content-start gap-7"
          onSubmit={(e) => {
            e.preventDefault();
            create();
          }}
        >
          <section className="grid gap-2">
            <h2 className="text-2xl">1. What is in it?</h2>
            <Choice
              label="Product"
              layout="grid"
              value={answers.job}
              options={jobs.map((j) => ({ value: j.id, label: j.label, note: inDegrees(j.note, scale) }))}
              onChoose={(id) => setAnswers(({ low, high }) => ({ job: id, box: jobOf(id).boxes[0]!, low, high }))}
            />
          </section>
          <section className="grid gap-2">
            <h2 className="text-2xl">2. In what box?</h2>
            <Choice
              label="Box"
              value={answers.box}
              options={shown.map((kind) => ({ value: kind, label: boxes[kind].label }))}
              onChoose={(box) => setAnswers(({ job: id, low, high }) => ({ job: id, box, low, high }))}
            />
            {stages.length > 0 && (
              <p className="max-w-prose">
                It begins with its usual {stages.length === 1 ? "stage" : "stages"}:{" "}
                {stages
                  .map(
                    (s) =>
                      `${s.name || "Hold"} ${printTemperature(s.low, scale).replace(/\u00a0.*/, "")} to ${printTemperature(s.high, scale)}`,
                  )
                  .join("; ")}
                . All of it can be changed on the bench.
              </p>
            )}
            {!allBoxes && (
              <button type="button" className="key justify-self-start" onClick={() => setAllBoxes(true)}>
                Show every kind of box
              </button>
            )}
            <p className="quiet max-w-prose">{inDegrees(boxes[answers.box].trade, scale)} Measured outside:</p>
            <div className="grid grid-cols-[repeat(auto-fill,minmax(min(13rem,100%),1fr))] gap-x-6">
              <NumberField
                key={`h${answers.box}`}
                label="Height"
                kind={length}
                value={answers.height ?? usual.height}
                onCommit={set("height")}
              />
              <NumberField
                key={`w${answers.box}`}
                label={isRound(answers.box) ? "Diameter" : "Width"}
                kind={length}
                value={answers.width ?? usual.width}
                onCommit={set("width")}
              />
            </div>
          </section>
          <section className="grid gap-2">
            <h2 className="text-2xl">3. In what room?</h2>
            <div className="grid grid-cols-[repeat(auto-fill,minmax(min(13rem,100%),1fr))] gap-x-6">
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
              placeholder={suggested}
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
