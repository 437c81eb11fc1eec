"use client";

import { bandOf } from "@/core/controller";
import { atFirst, celsius, inScale, printTemperature } from "@/core/quantity";
import { judgedName } from "@/core/trial";
import { withArticle } from "@/core/verdict";
import { useSize } from "@/parts/ruler";
import { useChamber, usePreferences, useShownTrial } from "./context";

/** Three ranges that people take for one another, apart: where it switches, what the display shows, what the product does. */
export function ThreeRanges() {
  const { control, unit, chamber } = useChamber();
  const { calm: metrics } = useShownTrial();
  const preferences = usePreferences();
  const { ref, width } = useSize<HTMLDivElement>();
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
      <div ref={ref}>
        {width > 0 && (
          <svg
            width={width}
            height={rows.length * 44 + 20}
            className="overflow-visible"
            role="img"
            aria-label={rows.map((r) => `${r.name} ${say(r.low)} and ${say(r.high)}`).join("; ")}
          >
            <rect
              x={x(request.low)}
              y="0"
              width={x(request.high) - x(request.low)}
              height={rows.length * 44}
              fill="url(#lines-honey)"
              fillOpacity="0.3"
            />
            {rows.map((row, i) => (
              <g key={row.name} transform={`translate(0 ${i * 44})`} style={{ color: "var(--color-base-content)" }}>
                <text x="0" y="16" fill="var(--color-base-content)" className="text-[14px]">
                  {row.name} <tspan fontWeight="700">{say(row.low)}</tspan> and{" "}
                  <tspan fontWeight="700">{say(row.high)}</tspan>
                </text>
                <rect
                  x={x(row.low)}
                  y="23"
                  width={Math.max(3, x(row.high) - x(row.low))}
                  height="9"
                  fill={row.color}
                  rx="2"
                />
              </g>
            ))}
            <g transform={`translate(0 ${rows.length * 44})`} className="text-[12px]" fill="var(--honey)">
              <text x={x(request.low)} y="14" textAnchor="middle">
                {inScale(request.low, scale).toFixed(1)}
              </text>
              <text x={(x(request.low) + x(request.high)) / 2} y="14" textAnchor="middle">
                your band
              </text>
              <text x={x(request.high)} y="14" textAnchor="middle">
                {inScale(request.high, scale).toFixed(1)}
              </text>
            </g>
          </svg>
        )}
      </div>
      {!settled && (
        <p className="quiet">The trial does not settle in the band, so nothing can be said of display and product.</p>
      )}
    </section>
  );
}
