"use client";

import { useState } from "react";
import { Plus, X } from "lucide-react";
import type { LoadedVessel } from "@/core/model";
import { COUNTS_ABOVE, judgeDegreeHours, nitriteFrom, NITRITE_MOST, projected } from "@/core/product";
import { celsius, printNumber, printTemperature } from "@/core/quantity";
import { plainKind, temperatureKind } from "@/parts/fields";
import { usePreferences } from "../../context";
import { Sum } from "./Sum";
import { SumField } from "./SumField";

const hours = plainKind("h", 1);
const grams = plainKind("g", 1);
const days = plainKind("days", 1);
/** A kitchen scale is right within, g. */
const SCALE = 2;

/** Nitrite of a dose, degree-hours of a typed course, and where three weights lead. */
export function MeatSums({ vessel }: { vessel: LoadedVessel }) {
  return (
    <>
      <Nitrite strength={vessel.product.cureStrength} />
      {vessel.product.kind === "sausage" && <DegreeHours />}
      <Weights loss={vessel.product.targetLoss} />
    </>
  );
}

function Nitrite({ strength }: { strength: number }) {
  const [dose, setDose] = useState(2.5);
  const [share, setShare] = useState(strength > 0 ? strength : 0.0625);
  const ppm = nitriteFrom(dose, share);
  return (
    <Sum
      title="Nitrite of a dose"
      says={
        ppm >= NITRITE_MOST + 0.5 ? (
          <span className="text-error font-semibold">
            {printNumber(ppm, 1)} mg/kg: more than the {NITRITE_MOST} mg/kg of 9 CFR 424.21 (elsewhere less is allowed).
            Do not use that much.
          </span>
        ) : (
          `${printNumber(ppm, 1)} mg/kg as sodium nitrite; at most ${NITRITE_MOST} by 9 CFR 424.21, elsewhere less.`
        )
      }
    >
      <SumField
        label="Curing salt on a kilogram"
        kind={plainKind("g", 0.1)}
        value={dose}
        onValue={setDose}
        within={[0, 60]}
      />
      <SumField
        label="Nitrite in it, by its label"
        kind={plainKind("%", 0.01, 0.01)}
        value={share}
        onValue={setShare}
        within={[0.001, 0.1]}
      />
    </Sum>
  );
}

function DegreeHours() {
  const { scale } = usePreferences();
  const [course, setCourse] = useState<[number, number][]>([
    [0, 20],
    [4, 28],
    [18, 28],
  ]);
  const sorted = course.every(([h], i) => i === 0 || h > course[i - 1]![0]);
  const judged = judgeDegreeHours(course);
  const set = (i: number, by: [number, number]) => setCourse(course.map((p, k) => (k === i ? by : p)));
  return (
    <Sum
      title="Degree-hours of a course, up to pH 5.3"
      says={
        !sorted ? (
          "Each hour has to be later than the one before."
        ) : judged.verdict === "no limit known" ? (
          `It never gets above ${printTemperature(celsius(COUNTS_ABOVE), scale)}: no limit is known there, which is no pass.`
        ) : judged.verdict === "passes" ? (
          `${printNumber(judged.sum, 1)} of ${judged.allowed} degree-hours (°F): within what is allowed, if pH 5.3 was reached by the last hour.`
        ) : (
          <span className="text-error font-semibold">
            {printNumber(judged.sum, 1)} of {judged.allowed} degree-hours (°F): too many. Hold the batch back: a
            laboratory or the bin.
          </span>
        )
      }
    >
      {course.map(([h, t], i) => (
        <div key={i} className="col-span-full flex max-w-xl items-start gap-4">
          <div className="grow">
            <SumField
              label={`${i + 1}: at hour`}
              kind={hours}
              value={h}
              onValue={(v) => set(i, [v, t])}
              within={[0, 500]}
            />
          </div>
          <div className="grow">
            <SumField
              label={`${i + 1}: it is at`}
              kind={temperatureKind(scale)}
              value={t}
              onValue={(v) => set(i, [h, v])}
              within={[-5, 50]}
            />
          </div>
        </div>
      ))}
      <div className="col-span-full flex flex-wrap items-start gap-2">
        {course.length < 12 && (
          <button
            type="button"
            className="key"
            onClick={() => setCourse([...course, [course.at(-1)![0] + 6, course.at(-1)![1]]])}
          >
            <Plus size={16} aria-hidden /> A later hour
          </button>
        )}
        {course.length > 2 && (
          <button type="button" className="key" onClick={() => setCourse(course.slice(0, -1))}>
            <X size={16} aria-hidden /> Without the last
          </button>
        )}
      </div>
    </Sum>
  );
}

/** Days from the first weight until a loss, by three weights equally far apart; null where it never comes to it. */
function daysUntil(start: number, loss: number, apart: number, w: readonly [number, number, number]): number | null {
  const p = projected(...w);
  if (!p) return null;
  const wanted = start * (1 - loss);
  if (wanted <= p.final) return null;
  return (apart * Math.log((w[0] - p.final) / (wanted - p.final))) / p.rate;
}

function Weights({ loss }: { loss: number }) {
  const [start, setStart] = useState(1000);
  const [apart, setApart] = useState(4);
  const [w1, setW1] = useState(920);
  const [w2, setW2] = useState(860);
  const [w3, setW3] = useState(815);
  const found = daysUntil(start, loss, apart, [w1, w2, w3]);
  // Every weight within what a scale is right to: the worst of all of them.
  const all = [-SCALE, SCALE].flatMap((a) =>
    [-SCALE, SCALE].flatMap((b) => [-SCALE, SCALE].map((c) => daysUntil(start, loss, apart, [w1 + a, w2 + b, w3 + c]))),
  );
  const known = all.filter((d) => d !== null);
  const open = known.length < all.length;
  return (
    <Sum
      title="Where three weights lead"
      says={
        found === null
          ? "These weights do not lead there: each has to be less than the one before and by a smaller step, and the air dry enough."
          : `${printNumber(loss * 100, 1)} % is lost some ${printNumber(found, 1)} days after the first of the three: between ${printNumber(Math.min(...known), 1)} days and ${open ? "never" : `${printNumber(Math.max(...known), 1)} days`}, by a scale that is right within ${SCALE} g. Weigh on.`
      }
    >
      <SumField
        label="It weighed when it was hung"
        kind={grams}
        value={start}
        onValue={setStart}
        within={[10, 100_000]}
      />
      <SumField label="First weight" kind={grams} value={w1} onValue={setW1} within={[5, 100_000]} />
      <SumField label="Second weight" kind={grams} value={w2} onValue={setW2} within={[5, 100_000]} />
      <SumField label="Third weight" kind={grams} value={w3} onValue={setW3} within={[5, 100_000]} />
      <SumField label="Days between them" kind={days} value={apart} onValue={setApart} within={[0.5, 60]} />
    </Sum>
  );
}
