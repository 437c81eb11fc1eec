"use client";

import { useEffect, useRef } from "react";
import { stations } from "@/core/model";
import { stationInfo } from "@/bench/stations";

const everywhere: [string, string][] = [
  ["Ctrl or ⌘ + Z", "undo"],
  ["Ctrl or ⌘ + Shift + Z", "redo"],
  ["?", "this list"],
];
const onBench: [string, string][] = [
  ...stations.map((s): [string, string] => [String(stationInfo[s].number), stationInfo[s].name]),
  ["t", "trial on the whole screen, and back"],
  ["u", "°C or °F"],
];
const onFields: [string, string][] = [
  ["↑ ↓", "a step up or down, in a field and on the ruler"],
  ["Shift + ↑ ↓", "ten steps in a field"],
  ["Page up, Page down", "ten steps on the ruler"],
  ["Esc", "back to what was stored, then out of the field"],
];

/** The list of shortcuts. */
export function Shortcuts({ onClose }: { onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  const list = (title: string, rows: [string, string][]) => (
    <section>
      <h3 className="text-lg">{title}</h3>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {rows.map(([key, does]) => (
          <div key={key} className="col-span-2 grid grid-cols-subgrid">
            <dt>
              <kbd className="bg-base-200 rule-line rounded border px-1.5 font-sans font-semibold">{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
  return (
    <dialog
      ref={dialog}
      onClose={onClose}
      className="bg-base-100 text-base-content border-base-content m-auto max-h-[90dvh] w-[min(44rem,94vw)] overflow-y-auto border-2 p-6 backdrop:bg-black/40"
      aria-labelledby="shortcuts-title"
    >
      <h2 id="shortcuts-title" className="mb-3 text-2xl">
        Shortcuts
      </h2>
      <div className="grid gap-5 md:grid-cols-2">
        {list("Everywhere", everywhere)}
        {list("On the bench", onBench)}
        {list("Fields and ruler", onFields)}
      </div>
      <p className="quiet mt-4">Single keys can be switched off in the preferences.</p>
      <form method="dialog" className="mt-4">
        <button className="key key-strong">Close</button>
      </form>
    </dialog>
  );
}
