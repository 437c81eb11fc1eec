"use client";

import { Undo2 } from "lucide-react";
import { lastStep, undo, useWorkshop } from "@/workshop";

/** Takes back what was done last in this room, and says what that is. */
export function UndoKey() {
  const step = useWorkshop(lastStep);
  // The demo that came by itself is no step of anybody's.
  if (!step || step.changes.every((c) => !c.before && c.after?.demo)) return null;
  return (
    <button type="button" className="key mt-2" onClick={() => void undo()}>
      <Undo2 size={18} aria-hidden /> Undo: {step.label}
    </button>
  );
}
