"use client";

import dynamic from "next/dynamic";
import { useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { FocusKeeper, showShortcuts, singleKey, useShortcutList } from "@/parts/common";
import { clockOf, writeClock } from "@/core/quantity";
import { openWorkshop, redo, undo, useWorkshop } from "@/workshop";
import { NewerNotice } from "./NewerNotice";
import { Notices } from "./Notices";
import { keepOffline } from "./offline";

/** Loaded when it is asked for. */
const Shortcuts = dynamic(() => import("./Shortcuts").then((m) => m.Shortcuts), { ssr: false });

/** A text that is being typed has the browser's own undo; a number field at rest has not. */
const hasOwnUndo = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLInputElement && target.type === "text" && target.dataset.rest !== "true";

/** Opens the workshop, and holds what works in every room: notices, undo, the list of shortcuts. */
export function OpenWorkshop() {
  const { singleKeys } = useWorkshop((s) => s.preferences);
  const listed = useShortcutList((s) => s.open);
  const [said, setSaid] = useState("");

  useEffect(() => {
    writeClock(clockOf(navigator.language));
    void openWorkshop();
    void keepOffline();
  }, []);

  const everywhere = { preventDefault: true, enableOnFormTags: true, ignoreEventWhen: hasOwnUndo };
  useHotkeys("mod+z", () => setSaid(undo() ? "Undone" : "Nothing to undo"), everywhere);
  useHotkeys("mod+shift+z, mod+y", () => setSaid(redo() ? "Done again" : "Nothing to redo"), everywhere);
  useHotkeys("?", () => showShortcuts(true), { ...singleKey, enabled: singleKeys, useKey: true });

  return (
    <>
      <FocusKeeper />
      <NewerNotice />
      <Notices />
      {listed && <Shortcuts onClose={() => showShortcuts(false)} />}
      <p className="sr-only" aria-live="polite">
        {said}
      </p>
    </>
  );
}
