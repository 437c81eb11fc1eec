"use client";

import { useState } from "react";
import { printClock, printDuration, printNumber } from "@/core/quantity";
import { clockKind, percentKind } from "@/parts/fields";
import { useChamber, useShownTrial } from "../../context";
import { Sum } from "./Sum";
import { SumField } from "./SumField";

/** Fuel for a fire that has to last to a named hour. */
export function SmokeSums() {
  const { chamber } = useChamber();
  const { live } = useShownTrial();
  const trial = live.answer?.trial;
  const [hour, setHour] = useState(6);
  const [reserve, setReserve] = useState(0.2);
  const charge = chamber.heaters.reduce((all, h) => all + h.fuel, 0);
  if (!trial || charge === 0) return null;
  const { fuelBurned, fuelOutAt } = trial.metrics;
  const burning = Math.min(fuelOutAt ?? Infinity, trial.finishedAt ?? Infinity, trial.days * 86_400);
  const rate = fuelBurned / burning;
  const lasts = ((((hour - trial.startHour) % 24) + 24) % 24 || 24) * 3600;
  const needed = rate * lasts * (1 + reserve);
  return (
    <Sum
      title="Fuel to a named hour"
      says={
        fuelBurned <= 0
          ? "The fire does not burn in this trial."
          : `It burns about ${printNumber(rate * 3600, 0.01)} kg an hour. Lit at ${printClock(trial.startHour)}, to ${printClock(hour)} that is ${printDuration(lasts)}: ${printNumber(needed, 0.1)} kg with the reserve. ${needed > charge ? `The charge of ${printNumber(charge, 0.1)} kg is too small: add fuel after ${printDuration(Math.max(0, charge / rate - 1800))}, half an hour before it would be gone.` : `The charge of ${printNumber(charge, 0.1)} kg does.`}`
      }
    >
      <SumField label="The fire has to last to" kind={clockKind} value={hour} onValue={setHour} within={[0, 24]} />
      <SumField label="Reserve" kind={percentKind} value={reserve} onValue={setReserve} within={[0, 1]} />
    </Sum>
  );
}
