"use client";

import { useState } from "react";
import type { LoadedVessel } from "@/core/model";
import { lossOf, lotOf, printFigure, weighsAfter } from "@/core/product";
import { printNumber } from "@/core/quantity";
import { plainKind } from "@/parts/fields";
import { usePreferences } from "../../context";
import { Sum } from "./Sum";
import { SumField } from "./SumField";

const grams = plainKind("g", 1);
const percent = plainKind("%", 0.1, 0.01);

/** What has been lost of a weight, to a tenth of a per cent, and what it weighs at a loss. */
export function WeightSum({ vessel }: { vessel: LoadedVessel }) {
  const { scale } = usePreferences();
  const own = Math.round(lotOf(vessel).mass * 1000);
  const { kind, targetLoss } = vessel.product;
  const [before, setBefore] = useState(own);
  const [now, setNow] = useState(Math.round(own * 0.87));
  const [wanted, setWanted] = useState<number>(kind === "sausage" || kind === "wholeMuscle" ? targetLoss : 0.1);
  const share = lossOf(before, now);
  return (
    <Sum
      title="Weight and loss"
      says={`${printNumber(now, 1)} g of ${printNumber(before, 1)} g: ${printFigure(Math.abs(share), "loss", scale)} ${share < 0 ? "gained" : "lost"}. ${printFigure(wanted, "loss", scale)} are lost at ${printNumber(weighsAfter(before, wanted), 1)} g.`}
    >
      <SumField label="It weighed" kind={grams} value={before} onValue={setBefore} within={[1, 500_000]} />
      <SumField label="It weighs" kind={grams} value={now} onValue={setNow} within={[1, 500_000]} />
      <SumField label="Wanted to lose" kind={percent} value={wanted} onValue={setWanted} within={[0, 0.95]} />
    </Sum>
  );
}
