"use client";

import { usePlotArea } from "recharts";
import { celsius, inScale, type Scale } from "@/core/quantity";
import type { Inset } from "@/core/trial";

interface Props {
  inset: Inset;
  scale: Scale;
  domain: [number, number];
}

/** The three lines of the inset, as paths inside the chart's plot. */
export function InsetLines({ inset, scale, domain: [low, high] }: Props) {
  const plot = usePlotArea();
  if (!plot) return null;
  const path = (temperatures: Float32Array): string => {
    const points = Array.from(temperatures, (t, i) => {
      const x = plot.x + (i / Math.max(1, temperatures.length - 1)) * plot.width;
      const y = plot.y + ((high - inScale(celsius(t), scale)) / (high - low)) * plot.height;
      return `${x.toFixed(1)} ${y.toFixed(1)}`;
    });
    return `M${points.join("L")}`;
  };
  return (
    <g fill="none">
      <path d={path(inset.air)} stroke="currentColor" strokeOpacity={0.6} strokeWidth={1} />
      <path d={path(inset.probe)} stroke="currentColor" strokeWidth={1.3} strokeDasharray="5 3" />
      <path d={path(inset.product)} stroke="var(--honey)" strokeWidth={2.2} />
    </g>
  );
}
