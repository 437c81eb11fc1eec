import { ReferenceArea } from "recharts";
import type { BandSpan } from "@/core/trial";

/** The bands as they stand over a stretch of a trial, s, hatched: elements of a chart over hours. */
export const bandAreas = (bands: readonly BandSpan[], from: number, to: number, show: (t: number) => number) =>
  bands.map((b) => (
    <ReferenceArea
      key={b.from}
      x1={Math.max(b.from, from) / 3600}
      x2={Math.min(b.to, to) / 3600}
      y1={show(b.low)}
      y2={show(b.high)}
      fill="url(#lines-honey)"
      fillOpacity={0.35}
      stroke="none"
      ifOverflow="hidden"
    />
  ));
