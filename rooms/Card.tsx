"use client";

import { Printer } from "lucide-react";
import { useRouter, useSearchParams } from "next/navigation";
import { useMemo, useState } from "react";
import { hasLid } from "@/core/chamber";
import { alarmsOf, keyingSteps, labelOf, parametersOf, plainLabel, printSetting } from "@/core/controller";
import type { ChamberRecord } from "@/core/model";
import { placeLabel } from "@/core/probe";
import { celsius, inScale, printTemperature } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import { planOf, sentenceOfPlan, type Plan } from "@/core/trial";
import { whatIsNormal, type Verdict } from "@/core/verdict";
import { useDesk, useWorkshop } from "@/workshop";
import { RoomHead } from "./RoomHead";
import { useVerdicts } from "./useVerdicts";

const sizes = [
  { value: "a6", label: "A6", page: "[page:a6]", width: "93mm", height: "136mm" },
  { value: "half-letter", label: "Half letter", page: "[page:half-letter]", width: "123mm", height: "199mm" },
] as const;

/** The card of the chamber that the address names. */
export function CardRoom() {
  const id = useSearchParams().get("c") ?? "";
  const record = useWorkshop((s) => s.records[id]);
  const status = useWorkshop((s) => s.status);
  const router = useRouter();
  useDesk(id);
  if (status !== "open") return null;
  if (record?.kind !== "chamber") {
    return (
      <main className="grid gap-3 p-8">
        <h1 className="text-2xl">There is no such chamber</h1>
        <button type="button" className="key justify-self-start" onClick={() => router.push("/")}>
          To the Shelf
        </button>
      </main>
    );
  }
  return <CardDesk record={record} />;
}

function CardDesk({ record }: { record: ChamberRecord }) {
  const { preferences } = useWorkshop();
  const [size, setSize] = useState<(typeof sizes)[number]["value"]>(
    preferences.system === "customary" ? "half-letter" : "a6",
  );
  const records = useMemo(() => [record], [record]);
  const plan = useMemo(() => planOf(record), [record]);
  const scale = plan.chamber.unit.scale;
  const answer = useVerdicts(records, preferences, scale)[record.id];
  const paper = sizes.find((s) => s.value === size)!;
  const normal = answer ? whatIsNormal({ plan, trial: answer.trial, scale }) : [];
  return (
    <>
      <RoomHead title="Card for the door" back={`/bench?c=${record.id}&at=settings`}>
        <label className="flex items-center gap-2">
          <span className="max-sm:sr-only">Paper</span>
          <select
            className="bg-base-100 rule-line h-11 rounded border px-2"
            value={size}
            onChange={(e) => setSize(e.target.value as typeof size)}
          >
            {sizes.map((s) => (
              <option key={s.value} value={s.value}>
                {s.label}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="key key-strong" onClick={() => window.print()} disabled={!answer}>
          <Printer size={18} aria-hidden /> Print
        </button>
      </RoomHead>
      <main className="overflow-x-auto p-4 md:p-8 print:overflow-visible print:p-0">
        <article
          className={`mx-auto bg-white text-black shadow-[0_0_0_1px_#0003] print:shadow-none ${paper.page} ${size === "a6" ? "text-[7.6pt]" : "text-[10.5pt]"} p-[4mm] leading-snug print:w-auto! print:p-0`}
          style={{ width: `calc(${paper.width} + 8mm)`, minHeight: paper.height }}
          data-ready={Boolean(answer)}
        >
          <CardFace
            record={record}
            plan={plan}
            normal={normal}
            wrong={answer?.verdicts.filter((v) => v.severity === "danger") ?? []}
          />
        </article>
      </main>
    </>
  );
}

function CardFace({
  record,
  plan,
  normal,
  wrong,
}: {
  record: ChamberRecord;
  plan: Plan;
  normal: string[];
  wrong: Verdict[];
}) {
  const { settings, chamber, ask } = plan;
  const { unit } = chamber;
  const show = (t: number) => printTemperature(celsius(t), unit.scale, unit.resolution);
  const probe = cautionsAt("card")[0];
  const alarms = alarmsOf(settings, unit);
  const { heater: heats, cooler: cools } = plan.plugged;
  const lid = hasLid(chamber.cabinet.kind);
  const steps = keyingSteps(settings, unit, plan.plugged);
  const sheet = unit.enter || unit.leave || unit.pause !== "unknown";
  return (
    <div className="grid gap-[1.6mm]">
      <header className="flex items-baseline justify-between gap-2 border-b-2 border-black pb-[1mm]">
        <h2 className="text-[1.6em] leading-tight">{record.name}</h2>
        <p className="shrink-0">
          {show(ask.low)} to {show(ask.high)}
        </p>
      </header>
      {wrong.length > 0 && (
        <p className="border-2 border-black px-[1mm]">
          <strong>Not in order yet.</strong> The trial says: {wrong.map((v) => v.title.toLowerCase()).join("; ")}.
        </p>
      )}
      <table className="w-full border-collapse">
        <tbody>
          {parametersOf(unit).map((field) => (
            <tr key={field} className="border-b border-black/40">
              <th scope="row" className="py-[0.5mm] text-left font-normal">
                {unit.labels[field]?.position ? `${unit.labels[field]?.position}. ` : ""}
                {unit.labels[field]?.label ? (
                  <>
                    <strong>{labelOf(field, unit)}</strong> ({plainLabel(field, unit).toLowerCase()})
                  </>
                ) : (
                  labelOf(field, unit)
                )}
              </th>
              <td className="text-right text-[1.15em] font-bold">{printSetting(settings, field, unit)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {sheet && (
        <p>
          {[steps[0], steps.at(-2)].map((step) => (
            <span key={step!.text}>{step!.text} </span>
          ))}
        </p>
      )}
      <section>
        {sentenceOfPlan(plan, unit.scale).map((line) => (
          <p key={line}>{line}</p>
        ))}
      </section>
      {normal.length > 0 && (
        <section>
          <h3 className="text-[1.1em]">{wrong.length > 0 ? "What it will do" : "What is normal"}</h3>
          {normal.map((line) => (
            <p key={line}>{line}</p>
          ))}
        </section>
      )}
      <section>
        <h3 className="text-[1.1em]">When the alarm sounds</h3>
        {alarms.low !== null && (
          <p>
            <strong>{show(alarms.low)} and below:</strong> it is getting too cold. {lid ? "Lid on" : "Door shut"}?{" "}
            {heats && "Heater warm to the touch of a gloved hand, its plug in? "}
            {cools && "Cooling stuck on?"}
          </p>
        )}
        {alarms.high !== null && (
          <p>
            <strong>{show(alarms.high)} and above:</strong> it is getting too warm. {lid ? "Lid on" : "Door shut"}?{" "}
            {cools && "Fridge running, its own dial at the coldest? "}
            {heats && "Heater stuck on? Pull its plug first."}
          </p>
        )}
        {alarms.low === null && alarms.high === null && <p>This unit sounds no alarm: look at it every day.</p>}
        <p>
          <strong>First of all: is the probe in its place?</strong>{" "}
          {placeLabel(chamber.probes[0]!.place, chamber.cabinet)}. {probe?.text}
        </p>
      </section>
      <section>
        <h3 className="sr-only">Temperatures in both scales</h3>
        <ScaleTable low={ask.low} high={ask.high} />
      </section>
      <footer className="border-t border-black/40 pt-[0.5mm] text-[0.85em]">
        Unplug before you open anything. A steady temperature is no proof of safety.
      </footer>
    </div>
  );
}

/** °C and °F side by side around the band. */
function ScaleTable({ low, high }: { low: number; high: number }) {
  const middle = Math.round((low + high) / 2);
  const values = Array.from({ length: 9 }, (_, i) => middle - 4 + i);
  return (
    <table className="w-full border-collapse text-center">
      <tbody>
        {(["C", "F"] as const).map((scale) => (
          <tr key={scale} className="border-y border-black/40">
            <th scope="row" className="text-left">
              °{scale}
            </th>
            {values.map((t) => (
              <td key={t} className={t >= low && t <= high ? "font-bold" : ""}>
                {inScale(celsius(t), scale).toFixed(scale === "C" ? 0 : 1)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
