"use client";

import Link from "next/link";
import { useSearchParams } from "next/navigation";
import { useCallback } from "react";
import { stations, type Station } from "@/core/model";
import { useDesk, useWorkshop } from "@/workshop";
import { Bench } from "./Bench";
import { stepTo } from "./useTrialSize";

/** The bench of the chamber that the address names, at the station that it names. */
export function BenchRoute() {
  const query = useSearchParams();
  const id = query.get("c") ?? "";
  const record = useWorkshop((s) => s.records[id]);
  const status = useWorkshop((s) => s.status);
  const asked = query.get("at") as Station | null;
  const station = asked && stations.includes(asked) ? asked : "job";
  // The page is the same: the address changes here, and nobody asks the server.
  const onStation = useCallback((next: Station) => stepTo(`/bench?c=${id}&at=${next}`), [id]);
  useDesk(id);
  if (status !== "open") return null;
  if (record?.kind !== "chamber")
    return (
      <main className="mx-auto grid max-w-xl gap-4 p-8">
        <h1 className="text-3xl">This chamber is not here</h1>
        <p>It may have been removed, or it belongs to another browser. A backup from there brings it back.</p>
        <p className="flex gap-2">
          <Link className="key key-strong" href="/">
            To the Shelf
          </Link>
          <Link className="key" href="/preferences">
            Bring back a backup
          </Link>
        </p>
      </main>
    );
  return <Bench record={record} station={station} onStation={onStation} key={record.id} />;
}
