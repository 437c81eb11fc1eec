"use client";

import { Trash2 } from "lucide-react";
import type { ChamberRecord } from "@/core/model";
import { removeRecords } from "@/workshop";

/** Removes a chamber at once: it can be undone, so nobody is asked. */
export function RemoveChamber({ record }: { record: ChamberRecord }) {
  return (
    <button
      type="button"
      className="key border-transparent px-0"
      aria-label={`Remove ${record.name} (can be undone)`}
      title="Remove (can be undone)"
      onClick={() => removeRecords([record.id], `remove ${record.name}`)}
    >
      <Trash2 size={18} aria-hidden />
    </button>
  );
}
