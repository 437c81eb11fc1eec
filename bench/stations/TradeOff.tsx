"use client";

import type { KeyboardEvent, ReactNode } from "react";
import { differenceInScale, kelvins, printDifference, printNumber, scaleSign, type Scale } from "@/core/quantity";
import { sayStarts, type Recommendation, type TradePoint } from "@/core/recommend";
import { useSize } from "@/parts/ruler";
import { namesAbove } from "./names";

const HEIGHT = 240;
const LEFT = 46;
const BOTTOM = 40;
const TOP = 12;
const RIGHT = 64;

interface Props {
  found: Recommendation;
  scale: Scale;
  chosen: TradePoint | null;
  onChoose: (point: TradePoint) => void;
}

/** A point in words. */
export const sayPoint = ({ score }: TradePoint, scale: Scale): string =>
  `${printDifference(kelvins(score.excursion), scale, 0.01)} from the target at the most, ${sayStarts(score)}${score.holds ? "" : ", does not hold"}`;

/** The trade-off as a picture: how far the product strays against starts a day; any point can be chosen. */
export function TradeOff({ found, scale, chosen, onChoose }: Props) {
  const { ref, width: drawn, text } = useSize<HTMLDivElement>();
  const width = drawn / text;
  const named = [
    { name: "now", point: found.present },
    ...found.schools.map((s, i) => ({ name: i === 0 ? "middle" : "edge", point: s.point })),
  ];
  const swing = (p: TradePoint) => differenceInScale(kelvins(p.score.excursion), scale);
  const tightest = Math.min(...[...found.points, ...named.map((n) => n.point)].map(swing));
  // Points several times further out than the best would press the rest together: only those with a name are shown.
  const points = found.points.filter((p) => swing(p) <= 4 * tightest + 0.5);
  const all = [...points, ...named.map((n) => n.point)];
  const sorted = [...all].sort((a, b) => a.score.excursion - b.score.excursion);
  const mostX = Math.max(...all.map(swing)) * 1.05;
  const mostY = Math.max(4, ...all.map((p) => p.score.startsPerDay)) * 1.1;
  const x = (p: TradePoint) => LEFT + (swing(p) / mostX) * (width - LEFT - RIGHT);
  const y = (p: TradePoint) => TOP + (1 - p.score.startsPerDay / mostY) * (HEIGHT - TOP - BOTTOM);
  const keys = (event: KeyboardEvent) => {
    const by =
      event.key === "ArrowRight" || event.key === "ArrowUp"
        ? 1
        : event.key === "ArrowLeft" || event.key === "ArrowDown"
          ? -1
          : 0;
    if (by === 0) return;
    event.preventDefault();
    const at = chosen ? sorted.indexOf(chosen) : -1;
    onChoose(sorted[Math.min(sorted.length - 1, Math.max(0, at + by))]!);
  };
  const ticks = (most: number) => {
    const step = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100].find((s) => most / s <= 6) ?? 200;
    return Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step);
  };
  // What holds is drawn over what does not.
  const ordered = [...points].sort((a, b) => Number(a.score.holds) - Number(b.score.holds));
  const labels = namesAbove(
    [...(found.best ? [{ name: "best", point: found.best }] : []), ...named].map(({ name, point }) => ({
      name,
      x: x(point),
      y: y(point),
    })),
  );
  return (
    <div ref={ref} className="min-w-0">
      {width > 0 && (
        <svg
          width={drawn}
          height={HEIGHT * text}
          viewBox={`0 0 ${width} ${HEIGHT}`}
          role="slider"
          tabIndex={0}
          aria-label="Points of the trade-off, from the tightest to the widest"
          aria-valuemin={0}
          aria-valuemax={sorted.length - 1}
          aria-valuenow={chosen ? sorted.indexOf(chosen) : 0}
          aria-valuetext={chosen ? sayPoint(chosen, scale) : "none chosen yet"}
          onKeyDown={keys}
          className="text-[12px]"
          fill="currentColor"
        >
          <path d={`M ${LEFT} ${TOP} V ${HEIGHT - BOTTOM} H ${width - RIGHT}`} stroke="currentColor" fill="none" />
          {ticks(mostX).map((t) => {
            const at = LEFT + (t / mostX) * (width - LEFT - RIGHT);
            return (
              <text key={t} x={at} y={HEIGHT - BOTTOM + 15} textAnchor="middle">
                {printNumber(t, mostX > 3 ? 1 : 0.1)}
              </text>
            );
          })}
          <text x={(width + LEFT) / 2} y={HEIGHT - 6} textAnchor="middle">
            furthest from the target in the worst weather, {scaleSign(scale)}
          </text>
          {ticks(mostY).map((t) => (
            <text key={t} x={LEFT - 6} y={TOP + (1 - t / mostY) * (HEIGHT - TOP - BOTTOM) + 4} textAnchor="end">
              {printNumber(t, 1)}
            </text>
          ))}
          <text
            x={12}
            y={(HEIGHT - BOTTOM) / 2}
            textAnchor="middle"
            transform={`rotate(-90 12 ${(HEIGHT - BOTTOM) / 2})`}
          >
            starts a day
          </text>
          {ordered.map((p, i) => (
            <g key={i} onClick={() => onChoose(p)} className="cursor-pointer">
              <circle cx={x(p)} cy={y(p)} r="12" fill="transparent" />
              <Dot x={x(p)} y={y(p)} holds={p.score.holds} />
            </g>
          ))}
          {named.map(({ name, point }) => (
            <g key={name} onClick={() => onChoose(point)} className="cursor-pointer">
              <circle cx={x(point)} cy={y(point)} r="12" fill="transparent" />
              <rect
                x={x(point) - 4.5}
                y={y(point) - 4.5}
                width="9"
                height="9"
                fill="var(--slate)"
                transform={`rotate(45 ${x(point)} ${y(point)})`}
              />
            </g>
          ))}
          {labels.map(({ name, x: at, y: mark, top }) => (
            <g key={name} className="pointer-events-none">
              <path d={`M ${at} ${mark} L ${at} ${top + 4}`} stroke="currentColor" strokeWidth="0.7" />
              <text
                x={at + 3}
                y={top}
                className="font-semibold"
                stroke="var(--color-base-100)"
                strokeWidth="3"
                paintOrder="stroke"
              >
                {name}
              </text>
            </g>
          ))}
          {chosen && <circle cx={x(chosen)} cy={y(chosen)} r="9" fill="none" stroke="currentColor" strokeWidth="2.5" />}
        </svg>
      )}
      <p className="quiet flex flex-wrap gap-x-4 text-[14px]">
        <Key holds>holds its band in all three rooms without chasing</Key>
        <Key>does not</Key>
      </p>
    </div>
  );
}

/** A point as it stands in the picture, with what it means. */
function Key({ holds = false, children }: { holds?: boolean; children: ReactNode }) {
  return (
    <span className="inline-flex items-center gap-1.5">
      <svg width="12" height="12" className="shrink-0" aria-hidden>
        <Dot x={6} y={6} holds={holds} />
      </svg>
      {children}
    </span>
  );
}

function Dot({ x, y, holds }: { x: number; y: number; holds: boolean }) {
  return (
    <circle
      cx={x}
      cy={y}
      r="4.5"
      fill={holds ? "var(--honey)" : "var(--color-base-100)"}
      stroke={holds ? "var(--color-base-content)" : "var(--slate)"}
      strokeDasharray={holds ? undefined : "2 2"}
    />
  );
}
