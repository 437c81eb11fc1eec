"use client";

import { Undo2 } from "lucide-react";
import Link from "next/link";
import { boxes, describe } from "@/core/chamber";
import type { ChamberRecord } from "@/core/model";
import { Fold } from "@/parts/common";
import { putBy } from "@/workshop";
import { RemoveChamber } from "./RemoveChamber";

/** Chambers that were put by: kept whole, out of the way, and no trial is run for them. */
export function PutBy({ chambers }: { chambers: readonly ChamberRecord[] }) {
  const sorted = [...chambers].sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
  return (
    <section className="mt-10 max-w-3xl" aria-label="Put by">
      <Fold summary={`Put by: ${chambers.length === 1 ? "one chamber" : `${chambers.length} chambers`}`} part="put-by">
        <ul className="grid">
          {sorted.map((record) => (
            <li key={record.id} className="rule-line flex flex-wrap items-center gap-x-3 border-b py-1">
              <Link href={`/bench?c=${record.id}&at=settings`} className="min-w-0 grow basis-40 py-2 wrap-anywhere">
                <strong>{record.name}</strong>{" "}
                <span className="quiet">{boxes[describe(record).cabinet.kind].label}</span>
              </Link>
              <button type="button" className="key" onClick={() => putBy(record.id, false)}>
                <Undo2 size={18} aria-hidden /> Back on the shelf
              </button>
              <RemoveChamber record={record} />
            </li>
          ))}
        </ul>
      </Fold>
    </section>
  );
}
