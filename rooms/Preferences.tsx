"use client";

import type { PreferencesRecord } from "@/core/model";
import Link from "next/link";
import { demoIsThere, removeDemo, bringDemoBack } from "@/demo";
import { showShortcuts } from "@/parts/common";
import { Choice, NumberField, plainKind, TextField, type Option } from "@/parts/fields";
import { setPreferences, useWorkshop } from "@/workshop";
import { QuarantineList } from "./QuarantineList";
import { BackupDesk } from "./BackupDesk";
import { useOffline, type Offline } from "./offline";
import { RoomHead } from "./RoomHead";

const scales: Option<PreferencesRecord["scale"]>[] = [
  { value: "C", label: "°C" },
  { value: "F", label: "°F" },
];
const systems: Option<PreferencesRecord["system"]>[] = [
  { value: "metric", label: "Litres, centimetres" },
  { value: "customary", label: "US gallons, inches" },
];
const themes: Option<PreferencesRecord["theme"]>[] = [
  { value: "auto", label: "As the device is set" },
  { value: "stoneware", label: "Stoneware, light" },
  { value: "cellar", label: "Cellar, dark" },
];
const keys: Option<"on" | "off">[] = [
  { value: "on", label: "On" },
  { value: "off", label: "Off" },
];

const offlineWords: Record<Offline, string> = {
  ready: "Every page opens without the server too, and works as it does with it; only the door for scripts needs it.",
  unknown: "The browser is still putting the pages by.",
  withheld:
    "This browser does not keep the pages for when there is no server. It allows that for secure addresses only: this machine\u2019s own (127.0.0.1), or https.",
};

export function Preferences() {
  const offline = useOffline((s) => s.offline);
  const { preferences, status, records } = useWorkshop();
  if (status !== "open") return null;
  const demo = Object.values(records).some((r) => r.demo) && demoIsThere();
  return (
    <>
      <RoomHead title="Preferences" />
      <main className="mx-auto grid max-w-3xl gap-10 px-4 py-6">
        <section className="grid gap-5">
          <h2 className="text-2xl">Units and looks</h2>
          <p className="quiet">They change what is shown, never what is stored.</p>
          <Choice
            label="Temperatures"
            options={scales}
            value={preferences.scale}
            onChoose={(scale) => setPreferences({ scale })}
          />
          <Choice
            label="Volumes and lengths"
            options={systems}
            value={preferences.system}
            onChoose={(system) => setPreferences({ system })}
          />
          <Choice
            label="Theme"
            options={themes}
            value={preferences.theme}
            onChoose={(theme) => setPreferences({ theme })}
          />
          <Choice
            label="Shortcuts of a single key"
            options={keys}
            value={preferences.singleKeys ? "on" : "off"}
            onChoose={(value) => setPreferences({ singleKeys: value === "on" })}
          />
          <button type="button" className="key justify-self-start" onClick={() => showShortcuts(true)}>
            List of shortcuts
          </button>
        </section>
        <Money />
        <BackupDesk />
        <QuarantineList />
        <section className="grid gap-2">
          <h2 className="text-2xl">Without a connection</h2>
          <p className="max-w-prose">{offlineWords[offline]}</p>
        </section>
        <section className="grid gap-3">
          <h2 className="text-2xl">The demo</h2>
          <p>
            Hollin Mill is a made-up cellar kitchen in an old watermill; its data are invented. It stands beside your
            own chambers and never touches them.
          </p>
          <div className="flex gap-2">
            {demo && (
              <button type="button" className="key" onClick={removeDemo}>
                Remove the demo
              </button>
            )}
            <button type="button" className="key" onClick={bringDemoBack}>
              {demo ? "Put the demo back as it was" : "Bring the demo back"}
            </button>
          </div>
        </section>
        <section className="grid gap-2">
          <h2 className="text-2xl">For scripts</h2>
          <p className="max-w-prose">
            What the bench computes can be asked over HTTP too.{" "}
            <Link href="/reference" className="underline">
              Reference: words of the trade, a door for scripts
            </Link>
          </p>
        </section>
      </main>
    </>
  );
}

/** What electricity costs, for the lists of parts. */
function Money() {
  const { preferences } = useWorkshop();
  const { currency, tariff, carbon } = preferences;
  const within = (most: number, put: (value: number) => void) => (value: number) => {
    if (value < 0) return { code: "tooLow" as const, at: [], limit: 0 };
    if (value > most) return { code: "tooHigh" as const, at: [], limit: most };
    put(value);
    return null;
  };
  return (
    <section className="grid gap-4">
      <h2 className="text-2xl">Money and electricity</h2>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(min(13.5rem,100%),1fr))] gap-x-6 gap-y-2">
        <TextField
          label="Sign of your money"
          value={currency}
          most={4}
          onCommit={(sign) => {
            setPreferences({ currency: sign.trim() });
            return null;
          }}
        />
        <NumberField
          label="A kWh costs"
          kind={plainKind(currency, 0.01)}
          value={tariff}
          onCommit={within(1000, (value) => setPreferences({ tariff: value }))}
          hint="As your bill says; 0: not known."
        />
        <NumberField
          label="CO2 of a kWh"
          kind={plainKind("kg", 0.01)}
          value={carbon}
          onCommit={within(3, (value) => setPreferences({ carbon: value }))}
          hint="As your supplier says; 0: not known."
        />
      </div>
    </section>
  );
}
