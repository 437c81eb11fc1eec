"use client";

import { useState } from "react";
import type { LoadedVessel } from "@/core/model";
import {
  attenuation,
  BOTTLES_TAKE,
  extractIn,
  gasGivenOff,
  hydrometerAt,
  kegPressure,
  platoOf,
  pressureAfter,
  primingSugar,
  refractometerGravity,
  residualCarbonation,
  suckBack,
  type PrimingSugar,
} from "@/core/product";
import { celsius, measures, printNumber, printTemperature } from "@/core/quantity";
import { gravityKind, measureKind, plainKind, Select, temperatureKind } from "@/parts/fields";
import { useChamber, usePreferences } from "../../context";
import { Sum } from "./Sum";
import { SumField } from "./SumField";

const volumes = plainKind("volumes", 0.1);
const brix = plainKind("°Bx", 0.1);
const sg = (g: number) => g.toFixed(3);

/** Readings of gravity, carbonation, and what a closed or an open vessel does as it is cooled. */
export function BeerSums({ vessel }: { vessel: LoadedVessel }) {
  return (
    <>
      <Hydrometer vessel={vessel} />
      <Refractometer />
      <Priming vessel={vessel} />
      <Keg />
      <Cooling vessel={vessel} />
    </>
  );
}

function Hydrometer({ vessel: { product } }: { vessel: LoadedVessel }) {
  const { scale } = usePreferences();
  const temperature = temperatureKind(scale);
  const [shown, setShown] = useState(product.originalGravity);
  const [at, setAt] = useState(20);
  const [madeFor, setMadeFor] = useState(20);
  const true20 = hydrometerAt(shown, at, madeFor);
  const plato = platoOf(true20);
  const { alcoholByVolume, realAttenuation } = attenuation(
    product.originalGravity,
    Math.min(true20, product.originalGravity),
  );
  return (
    <Sum
      title="Hydrometer"
      says={
        <>
          {sg(true20)}, {printNumber(plato, 0.1)} °P.
          {true20 < product.originalGravity - 0.002 &&
            ` From ${sg(product.originalGravity)} that is ${printNumber(alcoholByVolume, 0.1)} % alcohol by volume, ${printNumber(realAttenuation * 100, 1)} % of the extract fermented.`}
        </>
      }
    >
      <SumField label="Shown" kind={gravityKind} value={shown} onValue={setShown} within={[0.98, 1.2]} />
      <SumField label="At" kind={temperature} value={at} onValue={setAt} within={[0, 40]} />
      <SumField
        label="Made for"
        kind={temperature}
        value={madeFor}
        onValue={setMadeFor}
        within={[10, 30]}
        hint={`Printed on its scale: ${printTemperature(celsius(20), scale)} or ${printTemperature(celsius(15.6), scale)}.`}
      />
    </Sum>
  );
}

function Refractometer() {
  const [before, setBefore] = useState(12.5);
  const [after, setAfter] = useState(6.3);
  const [wort, setWort] = useState(1.04);
  const gravity = refractometerGravity(before, after, wort);
  return (
    <Sum
      title="Refractometer"
      says={
        after > before
          ? "It cannot show more than before the fermentation: look at both readings again."
          : `The beer is at ${sg(gravity)}, within 0.0025: alcohol bends the light too. A hydrometer decides.`
      }
    >
      <SumField label="Before it fermented" kind={brix} value={before} onValue={setBefore} within={[1, 35]} />
      <SumField label="Now" kind={brix} value={after} onValue={setAfter} within={[0, 35]} />
      <SumField
        label="Wort against sugar"
        kind={plainKind("times", 0.01)}
        value={wort}
        onValue={setWort}
        within={[0.9, 1.15]}
        hint="1.04 is usual; compare yours with a hydrometer."
      />
    </Sum>
  );
}

function Priming({ vessel }: { vessel: LoadedVessel }) {
  const { scale, system } = usePreferences();
  const [litres, setLitres] = useState(vessel.volume * vessel.count);
  const [wanted, setWanted] = useState(2.4);
  const [warmest, setWarmest] = useState(20);
  const [sugar, setSugar] = useState<PrimingSugar>("sucrose");
  const grams = primingSugar(sugar, litres * 1000, wanted, warmest);
  return (
    <Sum
      title="Sugar for the bottles"
      says={
        <>
          {grams > 0
            ? `${printNumber(grams, 1)} g in all, ${printNumber(grams / (litres * 1000), 0.1)} g a litre; ${printNumber(residualCarbonation(warmest), 0.1)} volumes are in it already.`
            : "It holds as much already: no sugar."}
          {wanted > BOTTLES_TAKE && " More than 3 volumes burst common bottles: heavy glass only."}
        </>
      }
    >
      <SumField
        label="Beer to bottle"
        kind={measureKind(measures.volume, system)}
        value={litres}
        onValue={setLitres}
        within={[0.0005, 1]}
      />
      <SumField label="Carbonation wanted" kind={volumes} value={wanted} onValue={setWanted} within={[1, 4.5]} />
      <SumField
        label="Warmest since it fermented"
        kind={temperatureKind(scale)}
        value={warmest}
        onValue={setWarmest}
        within={[0, 35]}
        hint="Gas that has left then does not come back."
      />
      <Select
        label="Sugar"
        value={sugar}
        options={[
          { value: "sucrose", label: "Table sugar" },
          { value: "dextrose", label: "Dextrose, with its water" },
        ]}
        onChoose={setSugar}
      />
    </Sum>
  );
}

const bar = (pascal: number, system: "metric" | "customary") =>
  system === "metric" ? `${printNumber(pascal / 1e5, 0.01)} bar` : `${printNumber(pascal / 6894.757, 0.1)} psi`;

function Keg() {
  const { scale, system } = usePreferences();
  const [wanted, setWanted] = useState(2.4);
  const [at, setAt] = useState(5);
  return (
    <Sum
      title="Pressure over a keg"
      says={`${bar(kegPressure(wanted, at), system)} above the air, held until it has taken it up: one to two weeks without shaking.`}
    >
      <SumField label="Carbonation in the keg" kind={volumes} value={wanted} onValue={setWanted} within={[1, 4]} />
      <SumField label="The keg stands at" kind={temperatureKind(scale)} value={at} onValue={setAt} within={[-1, 27]} />
    </Sum>
  );
}

const litresOrGallons = (volume: number, system: "metric" | "customary") =>
  system === "metric" ? `${printNumber(volume * 1000, 0.01)} L` : `${printNumber(volume / 0.003785411784, 0.01)} gal`;

function Cooling({ vessel: { volume, count, product } }: { vessel: LoadedVessel }) {
  const { scale, system } = usePreferences();
  const { chamber } = useChamber();
  const coldest = Math.min(...chamber.stages.map((s) => s.low));
  const warmest = Math.max(...chamber.stages.map((s) => s.high));
  const [space, setSpace] = useState(Number((volume * 0.2).toPrecision(2)));
  const [from, setFrom] = useState<number>(warmest);
  const [to, setTo] = useState<number>(Math.min(coldest, warmest - 1));
  const taken = suckBack(space, from, to);
  const fermented =
    extractIn(product.originalGravity, volume * 1000) *
    attenuation(product.originalGravity, product.finalGravity).realAttenuation;
  return (
    <Sum
      title="What cooling does to its gas"
      says={
        to >= from ? (
          "Only cooling draws anything in."
        ) : (
          <>
            It takes in {litresOrGallons(taken, system)} by the gas law, and more as gas dissolves: empty the airlock,
            or hang a bag of gas on it. Closed, it would stand at {bar(pressureAfter(0, from, to), system)} against the
            air. In all it has given off {printNumber(gasGivenOff(fermented) * count, 0.01)} m³ of carbon dioxide.
          </>
        )
      }
    >
      <SumField
        label="Headspace of a vessel"
        kind={measureKind(measures.volume, system)}
        value={space}
        onValue={setSpace}
        within={[0.0001, 0.5]}
      />
      <SumField label="Cooled from" kind={temperatureKind(scale)} value={from} onValue={setFrom} within={[-2, 40]} />
      <SumField label="Cooled to" kind={temperatureKind(scale)} value={to} onValue={setTo} within={[-5, 40]} />
    </Sum>
  );
}
