"use client";

import { useState } from "react";
import type { Chamber } from "@/core/model";
import { celsius, printDuration, printTemperature, type Scale } from "@/core/quantity";
import { Choice } from "@/parts/fields";
import { SpanChart } from "@/parts/trace";
import { useShownTrial } from "../context";
import { Sized } from "../trial/Sized";
import { useDrawnSeries } from "./useDrawnSeries";

type Recorded = NonNullable<Chamber["recorded"]>;
/** More than any screen has columns for it. */
const BINS = 600;
const DAY = 86_400;

/** A recorded room in words and as a picture: all of it, or what a trial sees of it. */
export function RecordedSpan({ recorded, scale }: { recorded: Recorded; scale: Scale }) {
  const { name } = recorded;
  const written = "series" in recorded ? recorded : inShort(recorded);
  const show = (t: number) => printTemperature(celsius(t), scale);
  return (
    <div className="grid gap-2">
      <p>
        Recorded room <strong>{name}</strong>: {written.rows.toLocaleString("en")} readings over{" "}
        {printDuration(written.span)}, {show(written.low)} to {show(written.high)}.
      </p>
      {"series" in recorded && <Picture series={recorded.series} span={recorded.span} name={name} scale={scale} />}
    </div>
  );
}

/** One that stands in the record itself is short. */
function inShort({ seconds, temperatures }: Extract<Recorded, { seconds: unknown }>) {
  return {
    rows: seconds.length,
    span: seconds.at(-1)!,
    low: Math.min(...temperatures),
    high: Math.max(...temperatures),
  };
}

function Picture({ series, span, name, scale }: { series: string; span: number; name: string; scale: Scale }) {
  const { live } = useShownTrial();
  const trial = live.answer?.trial;
  const reach = (trial?.days ?? 0) * DAY;
  const [part, setPart] = useState<"all" | "trial">("all");
  const longer = reach > 0 && reach < span;
  const to = longer && part === "trial" ? reach : span;
  const drawn = useDrawnSeries(series, 0, to, BINS);
  if (drawn && "problem" in drawn)
    return (
      <p role="alert" className="text-error font-semibold">
        {drawn.problem}. Read the table in again, or go back to the daily swing.
      </p>
    );
  return (
    <>
      <Sized className="h-40">
        {(width, height) =>
          drawn && (
            <SpanChart
              envelope={drawn.envelope}
              scale={scale}
              width={width}
              height={height}
              startHour={trial?.startHour ?? 0}
              reach={reach || span}
              label={`${name}, lowest and highest over ${printDuration(to)}`}
            />
          )
        }
      </Sized>
      {longer && (
        <Choice
          label="Show"
          options={[
            { value: "all", label: "All of it" },
            { value: "trial", label: `What the trial sees: ${printDuration(reach)}` },
          ]}
          value={part}
          onChoose={setPart}
        />
      )}
      {reach > span && (
        <p className="quiet text-sm">
          The trial runs for {printDuration(reach)}: behind the end of the record its last reading holds.
        </p>
      )}
    </>
  );
}
