"use client";

import type { LoadedVessel, ProductKind } from "@/core/model";
import { BathSums } from "./BathSums";
import { BeerSums } from "./BeerSums";
import { BringSum } from "./BringSum";
import { HoneySums } from "./HoneySums";
import { MashSums } from "./MashSums";
import { MeatSums } from "./MeatSums";
import { SmokeSums } from "./SmokeSums";
import { TempehSums } from "./TempehSums";
import { WeightSum } from "./WeightSum";

const beers: readonly ProductKind[] = ["ale", "lager", "farmhouse", "spontaneous", "wine", "cider", "mead", "serving"];

/** What loses or gains weight, and what is filled in as a liquid. */
const weighed: readonly ProductKind[] = ["sausage", "wholeMuscle", "smoke", "bath", "tempeh"];
const liquids: readonly LoadedVessel["filling"][] = ["water", "honey", "setHoney"];

/** The sums that a product asks for beside the trial. What is typed here is not stored. */
export function Sums({ vessel }: { vessel: LoadedVessel }) {
  const { kind } = vessel.product;
  return (
    <div className="grid gap-4 pt-2">
      {beers.includes(kind) && <BeerSums vessel={vessel} />}
      {kind === "mash" && <MashSums vessel={vessel} />}
      {(kind === "sausage" || kind === "wholeMuscle") && <MeatSums vessel={vessel} />}
      {kind === "honey" && <HoneySums vessel={vessel} />}
      {kind === "bath" && <BathSums vessel={vessel} />}
      {kind === "tempeh" && <TempehSums />}
      {kind === "smoke" && <SmokeSums vessel={vessel} />}
      {weighed.includes(kind) && <WeightSum key={vessel.id} vessel={vessel} />}
      {liquids.includes(vessel.filling) && <BringSum key={`${vessel.id} heat`} vessel={vessel} />}
    </div>
  );
}
