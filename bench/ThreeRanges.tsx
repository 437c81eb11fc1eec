"use client";

import { bandOf } from "@/core/controller";
import { atFirst, celsius, printTemperature } from "@/core/quantity";
import { judgedName } from "@/core/trial";
import { withArticle } from "@/core/verdict";
import { useSize } from "@/parts/ruler";
import { useChamber, usePreferences, useShownTrial } from "./context";

const bandLook = { fill: "url(#lines-honey)", fillOpacity: 0.35, stroke: "var(--honey)", strokeWidth: 1 };

/** Three ranges that people take for one another, apart: where it switches, what the display shows, what the product does. */
export function ThreeRanges() {
  const { control, unit, chamber } = useChamber();
  const { calm: metrics } = useShownTrial();
  const preferences = usePreferences();
  const { ref, width } = useSize<HTMLUListElement>();
  const { scale } = preferences;
  const { settings, request } = control;
  const band = bandOf(settings, unit);
  const settled = metrics?.settled ?? null;
  const judged = metrics ? withArticle(judgedName(metrics.judged, chamber.vessels)) : "the product";
  const rows = [
    {
      name: "The controller switches between",
      low: band.low,
      high: band.high,
      color: "currentColor",
    },
    settled && { name: "Its display will show, while all is well", ...settled.reading, color: "var(--slate)" },
    settled && {
      name: `${atFirst(judged)} itself will be`,
      ...settled.product,
      color: "var(--honey)",
    },
  ].filter((r) => r !== null);
  const low = Math.min(request.low, ...rows.map((r) => r.low));
  const high = Math.max(request.high, ...rows.map((r) => r.high));
  const pad = Math.max(0.2, (high - low) * 0.08);
  const x = (t: number) => ((t - low + pad) / (high - low + 2 * pad)) * width;
  const say = (t: number) => printTemperature(celsius(t), scale);
  return (
    <section className="grid gap-2" aria-label="Three ranges">
      <h3 className="text-lg">Three ranges, not one</h3>
      <ul ref={ref} className="grid gap-1">
        {rows.map((row) => (
          <li key={row.name}>
            {row.name} <strong>{say(row.low)}</strong> and <strong>{say(row.high)}</strong>
            {width > 0 && (
              <svg width={width} height="14" className="mt-0.5 block overflow-visible" aria-hidden>
                <rect x={x(request.low)} y="0" width={x(request.high) - x(request.low)} height="14" {...bandLook} />
                <rect
                  x={x(row.low)}
                  y="3"
                  width={Math.max(3, x(row.high) - x(row.low))}
                  height="8"
                  fill={row.color}
                  rx="2"
                />
              </svg>
            )}
          </li>
        ))}
      </ul>
      <p className="text-honey flex items-center gap-2 text-sm">
        <svg width="28" height="14" aria-hidden>
          <rect width="28" height="14" {...bandLook} />
        </svg>
        your band, {say(request.low)} to {say(request.high)}
      </p>
      {!settled && (
        <p className="quiet">The trial does not settle in the band, so nothing can be said of display and product.</p>
      )}
    </section>
  );
}
