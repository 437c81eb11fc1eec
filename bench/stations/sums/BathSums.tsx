"use client";

import { useState } from "react";
import type { LoadedVessel } from "@/core/model";
import { CHILL, chilled, seared } from "@/core/product";
import { celsius, measures, printDuration, printNumber, printTemperature } from "@/core/quantity";
import { measureKind, plainKind, temperatureKind } from "@/parts/fields";
import { useChamber, usePreferences } from "../../context";
import { Sum } from "./Sum";
import { SumField } from "./SumField";

const seconds = plainKind("s", 10);

/** After the bath: chilled and kept, or seared. */
export function BathSums({ vessel: { product } }: { vessel: LoadedVessel }) {
  const { scale, system } = usePreferences();
  const { chamber } = useChamber();
  const [thickness, setThickness] = useState(product.thickness);
  const [side, setSide] = useState(60);
  const [done, setDone] = useState<number>(Math.min(70, chamber.stages[0]!.target + 6));
  const bath: number = chamber.stages.at(-1)!.target;
  const piece = { shape: product.shape, thickness };
  const cold = chilled(piece, bath);
  const sear = seared(piece, bath, side, done);
  const at = (t: number) => printTemperature(celsius(t), scale);
  const rule = `the rule is to ${at(CHILL.first)} within two hours and to ${at(CHILL.then)} within six (Food Code 3-501.14)`;
  return (
    <>
      <Sum
        title="Chilled and kept"
        says={
          cold.toFirst === null || cold.toLast === null ? (
            <span className="text-error font-semibold">It takes more than a day: too thick to be chilled. Cut it.</span>
          ) : cold.passes ? (
            `In stirred ice water its core is at ${at(CHILL.first)} after ${printDuration(cold.toFirst)} and at ${at(CHILL.then)} after ${printDuration(cold.toLast)}: ${rule}. Kept at ${at(CHILL.then)} or below for ${CHILL.days} days at the most; spores survive.`
          ) : (
            <span className="text-error font-semibold">
              In stirred ice water it takes {printDuration(cold.toFirst)} to {at(CHILL.first)} and{" "}
              {printDuration(cold.toLast)} to {at(CHILL.then)}: too long: {rule}. Cut it thinner, or eat it at once.
            </span>
          )
        }
      >
        <SumField
          label="Its thickness"
          kind={measureKind(measures.thickness, system)}
          value={thickness}
          onValue={setThickness}
          within={[0.003, 0.3]}
        />
      </Sum>
      <Sum
        title="The sear"
        says={`Its core comes to ${at(sear.core)}; ${printNumber(sear.share * 100, 1)} % of the way to the core gets warmer than ${at(done)}. An estimate: dry it well, and turn it often.`}
      >
        <SumField label="On each side" kind={seconds} value={side} onValue={setSide} within={[5, 900]} />
        <SumField
          label="Further done is more than"
          kind={temperatureKind(scale)}
          value={done}
          onValue={setDone}
          within={[40, 95]}
        />
      </Sum>
    </>
  );
}
