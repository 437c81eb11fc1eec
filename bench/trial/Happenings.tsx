"use client";

import { Plus, X } from "lucide-react";
import { nanoid } from "nanoid";
import { useState } from "react";
import {
  dropAllHappenings,
  dropHappening,
  happeningInfo,
  happeningsFor,
  newHappening,
  putHappening,
} from "@/core/chamber";
import type { Happening, HappeningKind } from "@/core/model";
import { printDuration, printMoment } from "@/core/quantity";
import type { Grace, Metrics } from "@/core/trial";
import { Drafts, hoursKind, NumberField, Select } from "@/parts/fields";
import { useActions, useChamber, useShownTrial } from "../context";
import { HappeningFields } from "./HappeningFields";

/** What came of a happening, in words. */
export function graceWords(grace: Grace | undefined): string {
  if (!grace) return "Not in this trial: it comes after its end.";
  if (grace.seconds === null) return "It was outside its band already.";
  if (!Number.isFinite(grace.seconds)) return "It stays in its band to the end of the trial.";
  return `Hours of grace: ${printDuration(grace.seconds)}, then it gets too ${grace.cold ? "cold" : "warm"}.`;
}

/** Of each happening the shortest grace that it leaves to anything that is judged. */
const worstGraces = (all: readonly Metrics[]): Grace[] =>
  all
    .flatMap((m) => m.grace)
    .sort((a, b) => (a.seconds ?? Infinity) - (b.seconds ?? Infinity))
    .filter((g, i, list) => list.findIndex((o) => o.id === g.id) === i);

interface Props {
  /** The moment that a new one is placed at, s. */
  moment: number;
  armed: HappeningKind | null;
  onArm: (kind: HappeningKind | null) => void;
  onPlace: (kind: HappeningKind, at: number) => void;
}

/** What happens in the course of the trial: placed, moved, changed and taken out again. */
export function Happenings({ moment, armed, onArm, onPlace }: Props) {
  const { chamber, record } = useChamber();
  const { live } = useShownTrial();
  const { change } = useActions();
  const [kind, setKind] = useState<HappeningKind>("powerCut");
  const kinds = happeningsFor(chamber);
  const chosen = kinds.includes(kind) ? kind : kinds[0]!;
  const startHour = live.answer?.trial.startHour ?? 18;
  const grace = worstGraces(live.answer?.trial.whole ?? []);
  const inTrial = (live.answer?.trial.days ?? 0) * 86_400;
  const sorted = [...record.happenings].sort((a, b) => a.at - b.at);
  return (
    <section className="grid content-start gap-3" aria-label="Happenings">
      <h3 className="text-lg">What happens meanwhile</h3>
      <div className="flex flex-wrap items-end gap-2">
        <div className="w-72">
          <Select
            label="Happening"
            value={chosen}
            options={kinds.map((k) => ({ value: k, label: happeningInfo[k].label }))}
            onChoose={(next) => {
              setKind(next);
              if (armed) onArm(next);
            }}
          />
        </div>
        <button type="button" className="key key-strong" onClick={() => onPlace(chosen, moment)}>
          <Plus size={18} aria-hidden /> Place it at {printMoment(moment, startHour)}
        </button>
        <button
          type="button"
          className={`key ${armed ? "key-strong" : ""}`}
          aria-pressed={armed !== null}
          onClick={() => onArm(armed ? null : chosen)}
        >
          {armed ? "Click on the trace …" : "Place it by a click"}
        </button>
        {sorted.length > 1 && (
          <button type="button" className="key" onClick={() => change(dropAllHappenings, "all happenings out")}>
            Take all out
          </button>
        )}
      </div>
      {sorted.length === 0 && (
        <p className="quiet max-w-prose">
          Nothing happens yet. Place a power cut, an open door, a probe that fell out, and see how many hours of grace
          they leave.
        </p>
      )}
      <ul className="grid gap-3">
        {sorted.map((h) => (
          <Drafts key={h.id} of={h.id}>
            <OneHappening
              happening={h}
              startHour={startHour}
              words={graceWords(h.at < inTrial ? grace.find((g) => g.id === h.id) : undefined)}
            />
          </Drafts>
        ))}
      </ul>
    </section>
  );
}

function OneHappening({ happening: h, startHour, words }: { happening: Happening; startHour: number; words: string }) {
  const { change } = useActions();
  const put = (next: Happening, merge?: string) =>
    change(putHappening(next), happeningInfo[h.kind].label.toLowerCase(), merge);
  return (
    <li className="rule-line border-t pt-2" data-happening={h.kind}>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h4 className="font-semibold">
          {happeningInfo[h.kind].label}, {printMoment(h.at, startHour)}
        </h4>
        <button
          type="button"
          className="key px-2"
          onClick={() => change(dropHappening(h.id), `${happeningInfo[h.kind].label.toLowerCase()} out`)}
        >
          <X size={16} aria-hidden /> Take it out<span className="sr-only">: {happeningInfo[h.kind].label}</span>
        </button>
      </div>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(min(11.5rem,100%),1fr))] gap-x-4">
        <NumberField
          label="After"
          kind={hoursKind}
          value={h.at}
          onCommit={(at, merge) => put({ ...h, at }, merge)}
          hint="From the start."
        />
        {"lasting" in h && (
          <NumberField
            label="It lasts"
            kind={hoursKind}
            value={h.lasting}
            onCommit={(lasting, merge) => put({ ...h, lasting }, merge)}
            hint="0: to the end."
          />
        )}
        <HappeningFields happening={h} onPut={put} />
      </div>
      {h.kind !== "setpoint" && <p className="font-semibold">{words}</p>}
    </li>
  );
}

/** A new happening of a kind, put into the chamber. */
export function useNewHappening() {
  const { chamber, stage } = useChamber();
  const { change } = useActions();
  return (kind: HappeningKind, at: number) =>
    change(
      putHappening(newHappening(kind, nanoid(8), Math.round(at / 60) * 60, chamber, stage)),
      happeningInfo[kind].label.toLowerCase(),
    );
}
