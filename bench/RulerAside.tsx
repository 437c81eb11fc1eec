"use client";

import { BandRuler, FlatRuler } from "@/parts/ruler";
import { useActions, useChamber, usePreferences } from "./context";
import { rulerOf } from "./rulerOf";
import { useNarrow } from "./useViewport";

/** The chamber's temperatures on the band ruler: standing at the side, lying on the phone. */
export function RulerAside() {
  const chamber = useChamber();
  const { apply } = useActions();
  const { scale } = usePreferences();
  const data = rulerOf(chamber, scale, apply);
  return useNarrow() ? <FlatRuler data={data} /> : <BandRuler data={data} />;
}
