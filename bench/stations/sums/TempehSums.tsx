"use client";

import { ventsNeeded } from "@/core/chamber";
import { celsius, printNumber, printTemperature } from "@/core/quantity";
import { useChamber, usePreferences } from "../../context";
import { Sum } from "./Sum";

/** Vents for the hours in which the mould heats itself and nothing else runs. */
export function TempehSums() {
  const { chamber, stage } = useChamber();
  const { scale, system } = usePreferences();
  const { watts, rests, more, area } = ventsNeeded(chamber, stage);
  const at = (t: number) => printTemperature(celsius(t), scale);
  const square = system === "metric" ? `${printNumber(area * 1e4, 1)} cm²` : `${printNumber(area * 1550, 0.1)} in²`;
  const height = `At its height it gives off some ${printNumber(watts, 1)} W (an estimate). With everything off, in a room of ${at(chamber.room.high)}, it comes to rest at ${at(rests)}`;
  return (
    <Sum
      title="Vents"
      says={
        more === 0
          ? `${height}: the box gives that away by itself.`
          : more === null
            ? `${height}, and no air of that room keeps it below ${at(stage.high)}. Less of it, a colder place, or something that cools.`
            : `${height}. Two vents of ${square} each, one low and one high, let ${printNumber(more, 0.1)} W/K more out and hold ${at(stage.high)}. Open them when it begins to heat itself; with a slide they can be shut before.`
      }
    />
  );
}
