"use client";

import { useState } from "react";
import type { LoadedVessel } from "@/core/model";
import { boilOff, heatingTime, strikeTemperature, wortChilled } from "@/core/product";
import { celsius, measures, printDuration, printMeasure, printTemperature } from "@/core/quantity";
import { measureKind, percentKind, plainKind, temperatureKind } from "@/parts/fields";
import { useChamber, usePreferences } from "../../context";
import { Sum } from "./Sum";
import { SumField } from "./SumField";

/** Strike water, heating time, what boils off, and the way down to pitching. */
export function MashSums({ vessel }: { vessel: LoadedVessel }) {
  const { chamber } = useChamber();
  const { scale, system } = usePreferences();
  const temperature = temperatureKind(scale);
  const watts = chamber.heaters.reduce((all, h) => all + h.power, 0);
  const [wanted, setWanted] = useState<number>(chamber.stages[0]!.target);
  const [malt, setMalt] = useState(18);
  const [ratio, setRatio] = useState(3);
  const [litres, setLitres] = useState(vessel.volume);
  const [from, setFrom] = useState(15);
  const [to, setTo] = useState(70);
  const [power, setPower] = useState(Math.max(200, watts));
  const [share, setShare] = useState(0.9);
  const [boil, setBoil] = useState(1);
  const strike = strikeTemperature(wanted, malt, ratio);
  const losses = power * (1 - share);
  const off = boilOff(power * boil, losses);
  return (
    <>
      <Sum
        title="Strike water"
        says={
          strike > 100
            ? "Water that hot there is none: more of it on a kilogram, or warmer malt."
            : `Pour it at ${printTemperature(celsius(strike), scale)}: the mash comes to ${printTemperature(celsius(wanted), scale)} in a vessel that is warm already. A cold one takes one to three degrees more.`
        }
      >
        <SumField
          label="The mash shall be at"
          kind={temperature}
          value={wanted}
          onValue={setWanted}
          within={[30, 80]}
        />
        <SumField label="The malt is at" kind={temperature} value={malt} onValue={setMalt} within={[-10, 40]} />
        <SumField
          label="Water on a kilogram of malt"
          kind={plainKind("L/kg", 0.1)}
          value={ratio}
          onValue={setRatio}
          within={[1.5, 10]}
        />
      </Sum>
      <Sum
        title="Heating time"
        says={
          to <= from
            ? "It is that warm already."
            : `About ${printDuration(heatingTime(litres * 1000, to - from, power, share))}. The trial says it of your own kettle.`
        }
      >
        <SumField
          label="Water"
          kind={measureKind(measures.volume, system)}
          value={litres}
          onValue={setLitres}
          within={[0.001, 1]}
        />
        <SumField label="From" kind={temperature} value={from} onValue={setFrom} within={[0, 99]} />
        <SumField label="To" kind={temperature} value={to} onValue={setTo} within={[1, 100]} />
        <SumField label="Power" kind={plainKind("W", 50)} value={power} onValue={setPower} within={[100, 20_000]} />
        <SumField label="Of it into the water" kind={percentKind} value={share} onValue={setShare} within={[0.3, 1]} />
      </Sum>
      <Sum
        title="The boil"
        says={
          off <= 0
            ? "So little only makes up for the losses: it does not boil."
            : `${printMeasure(off / 1000, measures.volume, system)} an hour boil off. Losses come first, so half the power boils off less than half.`
        }
      >
        <SumField
          label="Boiled at"
          kind={percentKind}
          value={boil}
          onValue={setBoil}
          within={[0.05, 1]}
          hint="Of the power above."
        />
      </Sum>
      <Chilling litres={litres} />
    </>
  );
}

/** From the boil to where the culture is pitched, by a coil of cold water. */
function Chilling({ litres }: { litres: number }) {
  const { scale, system } = usePreferences();
  const temperature = temperatureKind(scale);
  const [from, setFrom] = useState(98);
  const [to, setTo] = useState(20);
  const [water, setWater] = useState(12);
  const [flow, setFlow] = useState(6);
  const [coil, setCoil] = useState(500);
  const cold = wortChilled({ volume: litres, from, to }, { t: water, flow: flow / 60_000 }, coil);
  const at = (t: number) => printTemperature(celsius(t), scale);
  return (
    <Sum
      title="Chilled to pitching"
      says={
        cold.seconds === null
          ? `Water at ${at(water)} never brings it to ${at(to)}. Colder water, ice in a second coil, or let the box do the rest.`
          : `About ${printDuration(cold.seconds)} and ${printMeasure(cold.water, measures.volume, system)} of water for ${printMeasure(litres, measures.volume, system)}, stirred all the while. Everything that touches it below ${at(70)} has to be clean and sanitised.`
      }
    >
      <SumField label="Wort as it comes" kind={temperature} value={from} onValue={setFrom} within={[1, 100]} />
      <SumField label="Pitched at" kind={temperature} value={to} onValue={setTo} within={[0, 45]} />
      <SumField label="Cold water" kind={temperature} value={water} onValue={setWater} within={[0, 40]} />
      <SumField label="Its flow" kind={plainKind("L/min", 0.5)} value={flow} onValue={setFlow} within={[0.1, 60]} />
      <SumField
        label="What the coil passes on"
        kind={plainKind("W/K", 50)}
        value={coil}
        onValue={setCoil}
        within={[10, 5000]}
        hint="An estimate: 8 m of 10 mm copper, stirred, some 500."
      />
    </Sum>
  );
}
