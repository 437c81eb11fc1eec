"use client";

import dynamic from "next/dynamic";
import { useEffect, useState, type ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { Glazes, showShortcuts, singleKey, useShortcutList } from "@/parts/common";
import { openAgain, openWorkshop, redo, troubleWords, undo, useWorkshop } from "@/workshop";
import { NewerNotice } from "./NewerNotice";
import { Notices } from "./Notices";
import { keepOffline } from "./offline";

/** Loaded when it is asked for. */
const Shortcuts = dynamic(() => import("./Shortcuts").then((m) => m.Shortcuts), { ssr: false });

/** A text that is being typed has the browser's own undo; a number field at rest has not. */
const hasOwnUndo = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLInputElement && target.type === "text" && target.dataset.rest !== "true";

/** What stands around every room: the open workshop, the theme, notices, and the shortcuts that work everywhere. */
export function Frame({ children }: { children: ReactNode }) {
  const status = useWorkshop((s) => s.status);
  const { theme, singleKeys } = useWorkshop((s) => s.preferences);
  const listed = useShortcutList((s) => s.open);
  const [said, setSaid] = useState("");

  useEffect(() => {
    void openWorkshop();
    void keepOffline();
  }, []);
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
      <NewerNotice />
      <Notices />
      {status === "unavailable" ? <NoStore /> : children}
      {listed && <Shortcuts onClose={() => showShortcuts(false)} />}
      <p className="sr-only" aria-live="polite">
        {said}
      </p>
    </>
  );
}

/** What is wrong with the store, never an empty shelf in its place. */
function NoStore() {
  const trouble = useWorkshop((s) => s.trouble) ?? "unopenable";
  const { title, mend } = troubleWords[trouble];
  return (
    <main className="mx-auto grid max-w-xl gap-3 p-8">
      <h1 className="text-3xl">The workshop cannot be opened</h1>
      <p>
        <strong>{title}.</strong> {mend}
      </p>
      <button type="button" className="key key-strong justify-self-start" onClick={() => void openAgain()}>
        Try again
      </button>
    </main>
  );
}
