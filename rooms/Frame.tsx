"use client";

import { useEffect, useState, type ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import * as z from "zod";
import { Glazes, showShortcuts, singleKey, useShortcutList } from "@/parts/common";
import { openWorkshop, redo, undo, useWorkshop } from "@/workshop";
import { Notices } from "./Notices";
import { Shortcuts } from "./Shortcuts";

// The policy forbids eval; without this the schema library probes for it.
z.config({ jitless: true });

/** A text that is being typed has the browser's own undo; a number field at rest has not. */
const hasOwnUndo = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLInputElement && target.type === "text" && target.dataset.rest !== "true";

/** What stands around every room: the open workshop, the theme, notices, and the shortcuts that work everywhere. */
export function Frame({ children }: { children: ReactNode }) {
  const status = useWorkshop((s) => s.status);
  const { theme, singleKeys } = useWorkshop((s) => s.preferences);
  const listed = useShortcutList((s) => s.open);
  const [said, setSaid] = useState("");

  useEffect(() => void openWorkshop(), []);
  useEffect(() => {
    const { dataset } = document.documentElement;
    if (theme === "auto") delete dataset.theme;
    else dataset.theme = theme;
  }, [theme]);

  const everywhere = { preventDefault: true, enableOnFormTags: true, ignoreEventWhen: hasOwnUndo };
  useHotkeys("mod+z", () => setSaid(undo() ? "Undone" : "Nothing to undo"), everywhere);
  useHotkeys("mod+shift+z, mod+y", () => setSaid(redo() ? "Done again" : "Nothing to redo"), everywhere);
  useHotkeys("?", () => showShortcuts(true), { ...singleKey, enabled: singleKeys, useKey: true });

  return (
    <>
      <Glazes />
      <Notices />
      {status === "unavailable" ? (
        <main className="mx-auto grid max-w-xl gap-3 p-8">
          <h1 className="text-3xl">The workshop cannot be opened</h1>
          <p>
            This browser gives the page no storage. Private windows and strict settings do that: open it in an ordinary
            window, or allow this site to store data.
          </p>
        </main>
      ) : (
        children
      )}
      {listed && <Shortcuts onClose={() => showShortcuts(false)} />}
      <p className="sr-only" aria-live="polite">
        {said}
      </p>
    </>
  );
}
