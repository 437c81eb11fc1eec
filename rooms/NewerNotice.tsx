"use client";

import { useState } from "react";
import { takeNewer, useOffline } from "./offline";

/** A newer application is here: taken when the person says so. */
export function NewerNotice() {
  const { waiting, asked, elsewhere } = useOffline();
  const [later, setLater] = useState<ServiceWorker | null>(null);
  if (elsewhere)
    return (
      <div role="status" className="bg-base-200 rule-line flex flex-wrap items-center gap-3 border-b px-4 py-1">
        <p className="grow">A newer Gentle Crock was taken in another tab. Load this page anew when it suits you.</p>
        <button type="button" className="key" onClick={() => location.reload()}>
          Load it now
        </button>
      </div>
    );
  if (!waiting || later === waiting) return null;
  return (
    <div role="status" className="bg-base-200 rule-line flex flex-wrap items-center gap-3 border-b px-4 py-1">
      <p className="grow">A newer Gentle Crock is here. It loads the page anew; what you have typed stays.</p>
      <button type="button" className="key key-strong" disabled={asked} onClick={() => void takeNewer()}>
        {asked ? "Taking it \u2026" : "Take it"}
      </button>
      <button type="button" className="key border-transparent" onClick={() => setLater(waiting)}>
        Later
      </button>
    </div>
  );
}
