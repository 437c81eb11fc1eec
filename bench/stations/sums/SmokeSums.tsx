"use client";

import { useState } from "react";
import type { LoadedVessel } from "@/core/model";
import { carriedOver } from "@/core/product";
import { celsius, printClock, printDuration, printNumber, printTemperature } from "@/core/quantity";
import { clockKind, percentKind, temperatureKind } from "@/parts/fields";
import { useChamber, usePreferences, useShownTrial } from "../../context";
import { Sum } from "./Sum";
import { SumField } from "./SumField";

/** What a cook asks of a fire: how much fuel, how far it is carried over. */
export function SmokeSums({ vessel }: { vessel: LoadedVessel }) {
  return (
    <>
      <Fuel />
      <CarriedOver vessel={vessel} />
    </>
  );
}

/** How far the core goes on rising once it is out. */
function CarriedOver({ vessel: { product } }: { vessel: LoadedVessel }) {
  const { scale } = usePreferences();
  const [core, setCore] = useState<number>(product.doneAt);
  const [skin, setSkin] = useState<number>(Math.min(100, product.doneAt + 8));
  const rise = carriedOver(product, core, skin);
  const at = (t: number) => printTemperature(celsius(t), scale, 0.5);
  return (
    <Sum
      title="Carried over"
      says={
        skin < core
          ? "Its surface is cooler than its core: it goes on falling."
          : rise.core - core < 0.3
            ? `Taken out at ${at(core)} its core hardly rises any more.`
            : `Taken out at ${at(core)} its core goes on to about ${at(rise.core)} within ${printDuration(rise.after)}, resting in a kitchen. Wrapped it rises somewhat further. An estimate.`
      }
    >
      <SumField
        label="Core as it comes out"
        kind={temperatureKind(scale)}
        value={core}
        onValue={setCore}
        within={[30, 130]}
      />
      <SumField
        label="Just under its surface"
        kind={temperatureKind(scale)}
        value={skin}
        onValue={setSkin}
        within={[30, 130]}
        hint="The trial shows it as surface."
      />
    </Sum>
  );
}

/** Fuel for a fire that has to last to a named hour. */
function Fuel() {
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
