"use client";

import { discardQuarantined, useWorkshop } from "@/workshop";
import { download } from "@/parts/common";

/** So many are shown one by one. */
const SHOWN = 100;

/** Records that could not be read: kept whole, to be saved or thrown away by the person alone. */
export function QuarantineList() {
  const quarantine = useWorkshop((s) => s.quarantine);
  if (quarantine.length === 0) return null;
  return (
    <section id="aside" className="grid gap-3">
      <h2 className="text-2xl">Set aside</h2>
      <p>These records could not be read when the workshop was opened. They are kept as they were found.</p>
      <ul className="grid gap-3">
        {quarantine.slice(0, SHOWN).map((a) => (
          <li key={a.key} className="border-warning grid gap-1 border-l-4 pl-4">
            <p>
              Found {a.foundAt.slice(0, 16).replace("T", " at ")} (UTC). {a.problem}
            </p>
            <div className="flex gap-2">
              {a.raw !== null && (
                <button
                  type="button"
                  className="key"
                  onClick={() => download("set-aside.json", JSON.stringify(a.raw, null, 2))}
                >
                  Save it as a file
                </button>
              )}
              <button type="button" className="key" onClick={() => void discardQuarantined(a.key)}>
                Throw it away for good
              </button>
            </div>
          </li>
        ))}
      </ul>
      {quarantine.length > SHOWN && <p>And {quarantine.length - SHOWN} more.</p>}
    </section>
  );
}
