"use client";

import { Printer } from "lucide-react";
import { useSearchParams } from "next/navigation";
import { useMemo, useState } from "react";
import { hasProgram } from "@/bench";
import type { ChamberRecord } from "@/core/model";
import { useDesk, useWorkshop } from "@/workshop";
import { CardFace } from "./card/CardFace";
import { FoamSheet } from "./card/FoamSheet";
import { ProgramSheet } from "./card/ProgramSheet";
import { NoChamber } from "./NoChamber";
import { RoomHead } from "./RoomHead";
import { useVerdicts } from "@/bench/useVerdicts";

const sizes = [
  { value: "a6", label: "A6", page: "[page:a6]", width: "93mm", height: "136mm" },
  { value: "half-letter", label: "Half letter", page: "[page:half-letter]", width: "123mm", height: "199mm" },
] as const;

/** The card of the chamber that the address names. */
export function CardRoom() {
  const id = useSearchParams().get("c") ?? "";
  const record = useWorkshop((s) => s.records[id]);
  const status = useWorkshop((s) => s.status);
  useDesk(id);
  if (status !== "open") return null;
  if (record?.kind !== "chamber") return <NoChamber />;
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
  const said = useVerdicts(records, preferences, scale)[record.id];
  const answer = typeof said === "string" ? undefined : said;
  const paper = sizes.find((s) => s.value === size)!;
  const look = `mx-auto bg-white text-black shadow-[0_0_0_1px_#0003] print:shadow-none ${paper.page} ${size === "a6" ? "text-[7.6pt] sm:not-print:[zoom:1.2]" : "text-[10.5pt]"} max-sm:not-print:w-auto! max-sm:not-print:text-[15px] p-[4mm] leading-snug print:w-auto! print:p-0`;
  return (
    <>
      <RoomHead title="Card for the door" back={`/bench?c=${record.id}&at=settings`} of={record.id}>
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
          className={look}
          style={{ width: `calc(${paper.width} + 8mm)`, minHeight: paper.height }}
          data-ready={Boolean(answer)}
        >
          {answer ? (
            <CardFace
              name={record.name}
              plan={answer.plan}
              calm={answer.calm}
              verdicts={answer.verdicts}
              scale={scale}
            />
          ) : (
            <p role="status">
              {typeof said === "string"
                ? `Its trial could not be run: ${said}. Reload the page; nothing is lost.`
                : "Working out what stands on it …"}
            </p>
          )}
        </article>
        {answer && hasProgram(answer.plan.chamber.stages) && (
          <article
            className={`${look} mt-6 break-before-page print:mt-0`}
            style={{ width: `calc(${paper.width} + 8mm)` }}
            aria-label="Program sheet"
          >
            <ProgramSheet name={record.name} plan={answer.plan} trial={answer.trial} scale={scale} />
          </article>
        )}
        {answer?.plan.chamber.cabinet.kind === "foam" && (
          <article
            className={`${look} mt-6 break-before-page print:mt-0`}
            style={{ width: `calc(${paper.width} + 8mm)` }}
            aria-label="Cut list of the foam box"
          >
            <FoamSheet name={record.name} chamber={answer.plan.chamber} system={preferences.system} />
          </article>
        )}
      </main>
    </>
  );
}
