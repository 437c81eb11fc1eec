"use client";

import { useState } from "react";
import type { LoadedVessel } from "@/core/model";
import { lotOf, reserveOf } from "@/core/product";
import { celsius, measures, printDuration, printNumber, printTemperature } from "@/core/quantity";
import { measureKind } from "@/parts/fields";
import { usePreferences, useShownRange, useShownTrial } from "../../context";
import { Sum } from "./Sum";
import { SumField } from "./SumField";

const DAY = 86_400;

/** When the next pail has to go into the warm, so that the bottling pail never runs dry. */
export function HoneySums({ vessel }: { vessel: LoadedVessel }) {
  const { scale, system } = usePreferences();
  const { of } = useShownTrial();
  const held = useShownRange();
  const [pail, setPail] = useState(lotOf(vessel).mass);
  const [use, setUse] = useState(10);
  const index = of?.chamber.vessels.findIndex((v) => v.id === vessel.id) ?? -1;
  // Where a program says when all is done, that is when the pail is.
  const range = held.range?.ready.find((r) => r.index === -1 || r.index === index);
  const plan = range?.late ? reserveOf(pail, use / (7 * DAY), range.late) : null;
  return (
    <Sum
      title="A pail in reserve"
      says={
        !plan
          ? "Its slow case is not clear within this trial: a longer trial says when the next one has to go in."
          : plan.atOnce > 1
            ? `A pail lasts ${printDuration(plan.lasts)}, and the slow case takes ${printDuration(range!.late!)} to clear: ${plan.atOnce} pails have to be in the warm at once, a new one every ${printDuration(plan.lasts)}.`
            : `A pail lasts ${printDuration(plan.lasts)}. Put the next one into the warm ${printDuration(plan.putInAfter)} after you open one: it is clear in nine of ten cases as that one runs dry. Until then it waits at ${printTemperature(celsius(30), scale)} or less: 14 days in the warm would cost it most of its enzymes.`
      }
    >
      <SumField
        label="In a pail"
        kind={measureKind(measures.mass, system)}
        value={pail}
        onValue={setPail}
        within={[0.1, 400]}
      />
      <SumField
        label="Bottled in a week"
        kind={measureKind(measures.mass, system)}
        value={use}
        onValue={setUse}
        within={[0.1, 5000]}
        hint={`${printNumber(use / 0.5, 1)} jars of half a kilogram.`}
      />
    </Sum>
  );
}
