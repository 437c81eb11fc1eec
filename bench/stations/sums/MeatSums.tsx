"use client";

import { useState } from "react";
import { Plus, X } from "lucide-react";
import type { LoadedVessel } from "@/core/model";
import {
  CHILL,
  chilled,
  COUNTS_ABOVE,
  heatedThrough,
  judgeDegreeHours,
  lotOf,
  MOIST_KILL,
  nitriteFrom,
  NITRITE_MOST,
  projected,
  starterDose,
} from "@/core/product";
import { celsius, measures, printDuration, printMeasure, printNumber, printTemperature } from "@/core/quantity";
import { measureKind, plainKind, temperatureKind } from "@/parts/fields";
import { usePreferences } from "../../context";
import { Sum } from "./Sum";
import { SumField } from "./SumField";

const hours = plainKind("h", 1);
const grams = plainKind("g", 1);
const days = plainKind("days", 1);
/** A kitchen scale is right within, g. */
const SCALE = 2;

/** Doses, degree-hours of a typed course, a cooked finish, and where three weights lead. */
export function MeatSums({ vessel }: { vessel: LoadedVessel }) {
  return (
    <>
      <Nitrite strength={vessel.product.cureStrength} />
      {vessel.product.kind === "sausage" && (
        <>
          <Starter vessel={vessel} />
          <DegreeHours />
          <CookedFinish vessel={vessel} />
        </>
      )}
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

/** The culture of a packet for what there is of meat: never less than the packet asks for. */
function Starter({ vessel }: { vessel: LoadedVessel }) {
  const { system } = usePreferences();
  const [meat, setMeat] = useState(lotOf(vessel).mass * vessel.count);
  const [packet, setPacket] = useState(25);
  const [enough, setEnough] = useState(100);
  const dose = starterDose(meat, packet, enough);
  return (
    <Sum
      title="Starter"
      says={`${printNumber(dose, 0.1)} g for ${printMeasure(meat, measures.mass, system)}${dose > packet ? `: ${Math.ceil(dose / packet)} packets` : ""}. Stirred into clean water without chlorine, half an hour before it is mixed in. ${dose < 1 ? "So little is hardly weighed right: take a gram; more culture does no harm, less does." : "More does no harm, less does: never without a starter."} Thawed once, a packet is used up or thrown out.`}
    >
      <SumField
        label="Meat and fat"
        kind={measureKind(measures.mass, system)}
        value={meat}
        onValue={setMeat}
        within={[0.05, 500]}
      />
      <SumField label="In a packet" kind={plainKind("g", 1)} value={packet} onValue={setPacket} within={[0.5, 1000]} />
      <SumField
        label="A packet is enough for"
        kind={measureKind(measures.mass, system)}
        value={enough}
        onValue={setEnough}
        within={[0.5, 5000]}
        hint="As the packet says."
      />
    </Sum>
  );
}

/** A sausage that is cooked in a bath before it is dried or eaten, and shocked cold after it. */
function CookedFinish({ vessel: { product } }: { vessel: LoadedVessel }) {
  const { scale, system } = usePreferences();
  const temperature = temperatureKind(scale);
  const [thickness, setThickness] = useState(product.thickness);
  const [from, setFrom] = useState(15);
  const [bath, setBath] = useState(72);
  const piece = { shape: "roll" as const, thickness };
  const cooked = heatedThrough(piece, from, bath);
  const cold = chilled(piece, bath);
  const at = (t: number) => printTemperature(celsius(t), scale);
  const core = at(MOIST_KILL.core);
  return (
    <Sum
      title="Cooked finish and cold shock"
      says={
        bath < MOIST_KILL.core + 1 || cooked === null ? (
          <span className="text-error font-semibold">
            So cool a bath never holds {core} at the core: make it at least {at(MOIST_KILL.core + 3)}.
          </span>
        ) : (
          <>
            {printDuration(cooked)} in the stirred bath until its core has been at {core} for {MOIST_KILL.minutes} min
            (FSIS, moist heat; from memory). Then at once into ice water:{" "}
            {cold.passes && cold.toFirst !== null ? (
              <>
                {printDuration(cold.toFirst)} to {at(CHILL.first)}, and the casing stays smooth.
              </>
            ) : (
              <span className="text-error font-semibold">
                it takes longer than two hours to {at(CHILL.first)}: too thick for that.
              </span>
            )}{" "}
            Cook it before it dries: germs in dry meat bear far more heat. A probe in the thickest one decides.
          </>
        )
      }
    >
      <SumField
        label="Across the casing"
        kind={measureKind(measures.thickness, system)}
        value={thickness}
        onValue={setThickness}
        within={[0.01, 0.15]}
      />
      <SumField label="It goes in at" kind={temperature} value={from} onValue={setFrom} within={[0, 40]} />
      <SumField label="The finish bath is at" kind={temperature} value={bath} onValue={setBath} within={[55, 95]} />
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
