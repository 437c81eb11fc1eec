"use client";

import { useState, type PointerEvent } from "react";
import { celsius, inScale, printMoment, printNumber, scaleSign, type Scale } from "@/core/quantity";
import type { Channel, Trial } from "@/core/trial";

interface Props {
  trial: Trial;
  scale: Scale;
  left: number;
  top: number;
  width: number;
  height: number;
}

const BOX = 190;

/** A cursor over the trace: all values of the moment under the pointer, in words. */
export function Cursor({ trial, scale, left, top, width, height }: Props) {
  const [bin, setBin] = useState<number | null>(null);
  const { trace, startHour } = trial;
  const point = (event: PointerEvent) => {
    const share = (event.clientX - event.currentTarget.getBoundingClientRect().left) / width;
    setBin(Math.min(trace.bins - 1, Math.max(0, Math.floor(share * trace.bins))));
  };
  const at = bin === null ? 0 : ((bin + 0.5) / trace.bins) * width;
  return (
    <div
      className="absolute touch-pan-y"
      style={{ left, top, width, height }}
      onPointerMove={point}
      onPointerDown={point}
      onPointerLeave={() => setBin(null)}
    >
      {bin !== null && (
        <>
          <div className="bg-base-content/60 pointer-events-none absolute inset-y-0 w-px" style={{ left: at }} />
          <div
            className="bg-base-100 border-base-content/50 pointer-events-none absolute top-0 z-10 rounded border px-2 py-1 text-[13px] leading-snug"
            style={{ left: at + BOX > width ? at - BOX : at + 10, width: BOX - 10 }}
          >
            <div className="font-semibold">{printMoment((bin + 0.5) * trace.width, startHour)}</div>
            {(["product", "probe", "air", "room"] as const).map((channel) => (
              <div key={channel}>
                {channel} {span(trial, channel, bin, scale)}
              </div>
            ))}
          </div>
        </>
      )}
    </div>
  );
}

function span({ trace }: Trial, channel: Channel, bin: number, scale: Scale): string {
  const [low, high] = [trace.low, trace.high].map((side) =>
    printNumber(inScale(celsius(side[channel][bin]!), scale), 0.1),
  );
  return `${low === high ? low : `${low} to ${high}`} ${scaleSign(scale)}`;
}
