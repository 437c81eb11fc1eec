"use client";

import { hasCooler, hasHeater, hasIce } from "@/core/chamber";
import { useShownTrial } from "../context";

/** What there is of heat and cold in the chamber that the trial on show is of: of what is not there nothing is drawn. */
export function useDevices(): { heats: boolean; cools: boolean } {
  const { of } = useShownTrial();
  if (!of) return { heats: true, cools: true };
  const { chamber } = of;
  return { heats: hasHeater(chamber), cools: hasCooler(chamber) || hasIce(chamber) };
}
