"use client";

import { cautionsAt } from "@/core/safety";
import { Cautions } from "@/parts/common";
import { useBench } from "../context";
import { ColdDevice } from "./ColdDevice";
import { HeatDevice } from "./HeatDevice";

export function HeatStation() {
  const { chamber } = useBench();
  return (
    <>
      <HeatDevice />
      <hr className="rule-line" />
      <ColdDevice />
      <Cautions cautions={cautionsAt("heat", chamber.cabinet.kind, chamber.heater.kind, chamber.cooler.kind)} />
    </>
  );
}
