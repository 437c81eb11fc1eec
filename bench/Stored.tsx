"use client";

import { useWorkshop } from "@/workshop";

type State = "saved" | "saving" | "failed" | "asked";

const words: Record<State, string> = {
  saved: "Stored in this browser",
  saving: "Storing \u2026",
  failed: "Not stored yet: trying again",
  asked: "Not stored: answer above first",
};

/** Whether what is on screen is stored: one record, or without an id all of them. Nothing before it is known. */
export function Stored({ id }: { id?: string }) {
  const state = useWorkshop(({ status, unsaved, trouble, conflicts, dropped }): State | null => {
    if (status !== "open") return null;
    if (id === undefined ? dropped.length : dropped.includes(id)) return "asked";
    if (id === undefined ? conflicts.length : conflicts.some((c) => c.id === id)) return "asked";
    if (id === undefined ? unsaved.length === 0 : !unsaved.includes(id)) return "saved";
    return trouble ? "failed" : "saving";
  });
  if (!state) return null;
  const wrong = state === "failed" || state === "asked";
  return (
    // Spoken only where something is wrong: storing goes on with every edit.
    <span role={wrong ? "status" : undefined} className={wrong ? "text-error font-semibold" : "quiet"}>
      {words[state]}
    </span>
  );
}
