"use client";

import { Printer } from "lucide-react";
import { useRouter, useSearchParams } from "next/navigation";
import { useMemo, useState } from "react";
import { hasLid } from "@/core/chamber";
import { alarmsOf, keyingSteps, labelOf, parametersOf, plainLabel, printSetting } from "@/core/controller";
import type { ChamberRecord } from "@/core/model";
import { placeLabel } from "@/core/probe";
import { controllerName, sayEnds, stageName } from "@/core/program";
import { celsius, inScale, printTemperature, type Scale } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import { planSentence, type Plan, type Trial } from "@/core/trial";
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
  // The card is for the unit: it reads in the scale of the first.
  const scale = record.controllers[0]!.unit.scale?.value ?? "C";
  const answer = useVerdicts(records, preferences, scale)[record.id];
  const paper = sizes.find((s) => s.value === size)!;
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
          {answer ? (
            <CardFace
              name={record.name}
              plan={answer.plan}
              trial={answer.trial}
              verdicts={answer.verdicts}
              scale={scale}
            />
          ) : (
            <p>Working out what stands on it …</p>
          )}
        </article>
      </main>
    </>
  );
}

interface FaceProps {
  name: string;
  plan: Plan;
  trial: Trial;
  verdicts: readonly Verdict[];
  scale: Scale;
}

function CardFace({ name, plan, trial, verdicts, scale }: FaceProps) {
  const { chamber, stages } = plan;
  const wrong = verdicts.filter((v) => v.severity === "danger");
  const show = (t: number, resolution = 0.1) => printTemperature(celsius(t), scale, resolution);
  const probes = cautionsAt("card")[0];
  const lid = hasLid(chamber.cabinet.kind);
  const judgement = { plan, trial, scale };
  const several = stages.length > 1;
  const low = Math.min(...stages.map((s) => s.stage.low));
  const high = Math.max(...stages.map((s) => s.stage.high));
  const own = chamber.vessels.filter((v) => v.band);
  const normal = stages.flatMap((s) => {
    const lines = whatIsNormal(judgement, s.id);
    return lines.length && several ? [`${stageName(chamber.stages, s.id)}: ${lines.join(" ")}`] : lines;
  });
  return (
    <div className="grid gap-[1.6mm]">
      <header className="flex items-baseline justify-between gap-2 border-b-2 border-black pb-[1mm]">
        <h2 className="text-[1.6em] leading-tight">{name}</h2>
        <p className="shrink-0">
          {show(low)} to {show(high)}
        </p>
      </header>
      {wrong.length > 0 && (
        <p className="border-2 border-black px-[1mm]">
          <strong>Not in order yet.</strong> The trial says: {wrong.map((v) => v.title.toLowerCase()).join("; ")}.
        </p>
      )}
      {own.length > 0 && (
        <p>
          {own.map((v) => (
            <span key={v.id}>
              Vessel {chamber.vessels.indexOf(v) + 1}: {show(v.band!.low)} to {show(v.band!.high)}.{" "}
            </span>
          ))}
        </p>
      )}
      {several && <CardProgram plan={plan} scale={scale} />}
      {chamber.controllers.map((_, c) => (
        <CardUnit key={chamber.controllers[c]!.id} plan={plan} index={c} />
      ))}
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
        <CardAlarms plan={plan} lid={lid} />
        <p>
          <strong>
            First of all:{" "}
            {chamber.controllers.length > 1 ? "are the probes in their places" : "is the probe in its place"}?
          </strong>{" "}
          {chamber.controllers
            .map((c) => {
              const probe = chamber.probes.find((p) => p.id === c.probes[0])!;
              const of = chamber.controllers.length > 1 ? `${controllerName(chamber, c.id)}: ` : "";
              return `${of}${placeLabel(probe.place, chamber.cabinet)}.`;
            })
            .join(" ")}{" "}
          {probes?.text}
        </p>
      </section>
      <section>
        <h3 className="sr-only">Temperatures in both scales</h3>
        <ScaleTable low={low} high={high} />
      </section>
      <footer className="border-t border-black/40 pt-[0.5mm] text-[0.85em]">
        Unplug before you open anything. A steady temperature is no proof of safety.
      </footer>
    </div>
  );
}

/** The stages in turn, with their bands and their ends. */
function CardProgram({ plan, scale }: { plan: Plan; scale: Scale }) {
  const { chamber, stages } = plan;
  const show = (t: number) => printTemperature(celsius(t), scale);
  return (
    <table className="w-full border-collapse">
      <thead>
        <tr className="border-b border-black text-left">
          <th className="font-bold">Stage</th>
          <th className="font-bold">Band</th>
          <th className="font-bold">Goes on</th>
        </tr>
      </thead>
      <tbody>
        {stages.map(({ id, stage }, i) => (
          <tr key={id} className="border-b border-black/40 align-top">
            <th scope="row" className="py-[0.4mm] pr-2 text-left font-bold">
              {i + 1}. {stageName(chamber.stages, id)}
            </th>
            <td className="pr-2 whitespace-nowrap">
              {show(stage.low).replace(/\u00a0.*/, "")} to {show(stage.high)}
            </td>
            <td>{sayEnds(stage, chamber, scale)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What is keyed into one unit: what stays all through, and what changes with the stage. */
function CardUnit({ plan, index }: { plan: Plan; index: number }) {
  const { chamber, stages } = plan;
  const controller = chamber.controllers[index]!;
  const { unit } = controller;
  const controls = stages.map((s) => s.controls[index]!);
  const [first] = controls;
  const parameters = parametersOf(unit);
  const stays = parameters.filter((p) => controls.every((c) => Math.abs(c.settings[p] - first!.settings[p]) < 1e-9));
  const changes = parameters.filter((p) => !stays.includes(p));
  const steps = keyingSteps(first!.settings, unit, first!.plugged);
  const sheet = unit.enter || unit.leave || unit.pause !== "unknown";
  return (
    <section className="grid gap-[1mm]">
      {chamber.controllers.length > 1 && (
        <h3 className="text-[1.1em] first-letter:uppercase">{controllerName(chamber, controller.id)}</h3>
      )}
      {changes.length > 0 && (
        <table className="w-full border-collapse">
          <thead>
            <tr className="border-b border-black text-left align-bottom">
              <th className="font-bold">Key in for</th>
              {changes.map((p) => (
                <th key={p} className="pl-1 text-right font-bold">
                  {labelOf(p, unit)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {stages.map(({ id }, s) => (
              <tr key={id} className="border-b border-black/40">
                <th scope="row" className="py-[0.4mm] text-left font-normal">
                  {s + 1}. {stageName(chamber.stages, id)}
                </th>
                {changes.map((p) => (
                  <td key={p} className="pl-1 text-right font-bold whitespace-nowrap">
                    {printSetting(controls[s]!.settings, p, unit)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {stays.length > 0 && (
        <table className="w-full border-collapse">
          <tbody>
            {stays.map((field) => (
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
                <td className="text-right text-[1.15em] font-bold">{printSetting(first!.settings, field, unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {sheet && (
        <p>
          {[steps[0], steps.at(-2)].map((step) => (
            <span key={step!.text}>{step!.text} </span>
          ))}
        </p>
      )}
      {stages.length === 1 && (
        <div>
          {planSentence({ control: first!, controller }, unit.scale).map((line) => (
            <p key={line}>{line}</p>
          ))}
        </div>
      )}
    </section>
  );
}

/** What to look at when an alarm sounds, unit by unit; of stages, in the first, unless they differ. */
function CardAlarms({ plan, lid }: { plan: Plan; lid: boolean }) {
  const { chamber, stages } = plan;
  const sounding = chamber.controllers.flatMap((controller, c) => {
    const all = stages.map((s) => alarmsOf(s.controls[c]!.settings, controller.unit));
    const { plugged } = stages[0]!.controls[c]!;
    const show = (t: number) => printTemperature(celsius(t), controller.unit.scale, controller.unit.resolution);
    const at = (side: "low" | "high", word: string) => {
      const values = [...new Set(all.map((a) => a[side]).filter((t) => t !== null))].map(show);
      if (values.length === 0) return null;
      return values.length === 1 ? `${values[0]} and ${word}` : `The ${side} alarm of the stage`;
    };
    const of = chamber.controllers.length > 1 ? `${controllerName(chamber, controller.id)}, ` : "";
    const low = at("low", "below");
    const high = at("high", "above");
    return [
      low === null ? null : { id: `${controller.id} low`, at: `${of}${low}`, cold: true, plugged },
      high === null ? null : { id: `${controller.id} high`, at: `${of}${high}`, cold: false, plugged },
    ].filter((r) => r !== null);
  });
  if (sounding.length === 0)
    return (
      <p>
        {chamber.controllers.length > 1 ? "None of these units sounds an alarm" : "This unit sounds no alarm"}: look at
        it every day.
      </p>
    );
  const heats = plan.stages[0]!.controls.some((c) => c.plugged.heater);
  const cools = plan.stages[0]!.controls.some((c) => c.plugged.cooler);
  return (
    <>
      {sounding.map(({ id, at, cold }) => (
        <p key={id}>
          <strong className="inline-block first-letter:uppercase">{at}:</strong> it is getting too{" "}
          {cold ? "cold" : "warm"}. {lid ? "Lid on" : "Door shut"}?{" "}
          {cold ? (
            <>
              {heats && "Heater warm to the touch of a gloved hand, its plug in? "}
              {cools && "Cooling stuck on?"}
            </>
          ) : (
            <>
              {cools && "Fridge running, its own dial at the coldest? "}
              {heats && "Heater stuck on? Pull its plug first."}
            </>
          )}
        </p>
      ))}
    </>
  );
}

/** °C and °F side by side around the band. */
function ScaleTable({ low, high }: { low: number; high: number }) {
  const middle = Math.round((low + high) / 2);
  // Nine values around the band; of a program they reach over all of its bands.
  const step = Math.max(1, Math.ceil((high - low) / 7));
  const values = Array.from({ length: 9 }, (_, i) => middle + (i - 4) * step);
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
