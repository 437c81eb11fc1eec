"use client";

import type { LoadedVessel, ProductKind } from "@/core/model";
import { BathSums } from "./BathSums";
import { BeerSums } from "./BeerSums";
import { HoneySums } from "./HoneySums";
import { MashSums } from "./MashSums";
import { MeatSums } from "./MeatSums";
import { SmokeSums } from "./SmokeSums";
import { TempehSums } from "./TempehSums";

const beers: readonly ProductKind[] = ["ale", "lager", "farmhouse", "spontaneous", "wine", "cider", "mead", "serving"];

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
    </div>
  );
}
