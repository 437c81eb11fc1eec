"use client";

import { useState } from "react";
import { bringing } from "@/core/demand";
import type { LoadedVessel } from "@/core/model";
import { celsius, measures, printMeasure, printTemperature } from "@/core/quantity";
import { measureKind, plainKind, temperatureKind } from "@/parts/fields";
import { useChamber, usePreferences } from "../../context";
import { Sum } from "./Sum";
import { SumField } from "./SumField";

/** How strong a heater, or a cooler, has to be to bring so much from here to there in so many hours. */
export function BringSum({ vessel }: { vessel: LoadedVessel }) {
  const { chamber, stage } = useChamber();
  const { scale, system } = usePreferences();
  const temperature = temperatureKind(scale);
  const [volume, setVolume] = useState<number>(vessel.volume);
  const [from, setFrom] = useState<number>(vessel.startTemperature);
  const [to, setTo] = useState<number>(stage.target);
  const [hours, setHours] = useState(12);
  const { net, inRoom } = bringing(chamber, vessel, { volume, from, to, seconds: hours * 3600 });
  const watts = (w: number) => printMeasure(Math.round(Math.abs(w)), measures.power, system);
  const room = printTemperature(celsius((chamber.room.low + chamber.room.high) / 2), scale);
  const helps = net < 0 === inRoom < 0;
  return (
    <Sum
      title={net < 0 ? "Cooled in so many hours" : "Warmed in so many hours"}
      says={
        net === 0
          ? "It is that warm already."
          : `${watts(net)} ${net < 0 ? "of cold" : "of heat"} into it alone. ${helps ? `In this box and a room of ${room} on average ${watts(inRoom)}, all the time.` : `In a room of ${room} on average the box does that by itself.`} What a device says on its label is more than what arrives.`
      }
    >
      <SumField
        label="How much"
        kind={measureKind(measures.volume, system)}
        value={volume}
        onValue={setVolume}
        within={[0.0001, 1]}
      />
      <SumField label="From" kind={temperature} value={from} onValue={setFrom} within={[-5, 100]} />
      <SumField label="To" kind={temperature} value={to} onValue={setTo} within={[-5, 100]} />
      <SumField label="Within" kind={plainKind("h", 1)} value={hours} onValue={setHours} within={[0.25, 400]} />
    </Sum>
  );
}
