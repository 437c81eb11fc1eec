"use client";

import { FileSpreadsheet, Plus, Printer, X } from "lucide-react";
import { useSearchParams } from "next/navigation";
import { useMemo } from "react";
import { describe } from "@/core/chamber";
import { applyEdits, type ChamberRecord } from "@/core/model";
import {
  addPart,
  costOf,
  electricityOf,
  partLines,
  partsNeeded,
  removePart,
  sayPart,
  type PartLine,
  type PartSaid,
} from "@/core/parts";
import { printMoney, printNumber } from "@/core/quantity";
import { download } from "@/parts/common";
import { Drafts, NumberField, plainKind, TextField } from "@/parts/fields";
import { changeChamber, useDesk, useWorkshop } from "@/workshop";
import { NoChamber } from "./NoChamber";
import { RoomHead } from "./RoomHead";
import { judgedDays, mainsOf } from "@/core/trial";
import { useVerdicts } from "@/bench/useVerdicts";

/** What a chamber is made of and what it costs; the address names the chamber. */
export function PartsRoom() {
  const id = useSearchParams().get("c") ?? "";
  const record = useWorkshop((s) => s.records[id]);
  const status = useWorkshop((s) => s.status);
  useDesk(id);
  if (status !== "open") return null;
  if (record?.kind !== "chamber") return <NoChamber />;
  return (
    <Drafts of={`parts-${id}`}>
      <List record={record} />
    </Drafts>
  );
}

function List({ record }: { record: ChamberRecord }) {
  const { preferences } = useWorkshop();
  const { currency } = preferences;
  const lines = useMemo(() => partLines(partsNeeded(describe(record)), record.parts), [record]);
  const cost = costOf(lines);
  const money = (m: number) => printMoney(m, currency);
  const say = (line: PartLine, by: PartSaid, label: string) => changeChamber(record.id, sayPart(line, by), label);
  const saveCsv = () =>
    // The package that writes it comes with its first use.
    void import("@/core/formats").then(({ partsCsv }) =>
      download(`${record.name.replace(/[^\p{L}\p{N}]+/gu, "-")}-parts.csv`, partsCsv(lines), "text/csv"),
    );
  return (
    <>
      <RoomHead title="Parts and cost" back={`/bench?c=${record.id}&at=box`} of={record.id}>
        <button type="button" className="key" onClick={saveCsv}>
          <FileSpreadsheet size={18} aria-hidden /> CSV
        </button>
        <button type="button" className="key" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </button>
      </RoomHead>
      <main className="mx-auto grid max-w-5xl gap-6 px-4 py-6 md:px-8 print:p-0">
        <p className="text-xl">{record.name}</p>
        <ul className="grid" aria-label="Parts">
          {lines.map((line, i) => (
            <li
              key={line.key || line.id}
              aria-label={line.name}
              className={`rule-line grid items-end gap-x-4 gap-y-1 border-b py-2 sm:grid-cols-[minmax(0,1fr)_8rem_11rem_9rem] ${line.owned ? "opacity-70" : ""}`}
            >
              {line.own ? (
                <TextField
                  label={`Part ${i + 1}`}
                  value={line.name}
                  most={80}
                  onCommit={(name) => (name ? say(line, { name }, "name of a part") : "Say what it is.")}
                />
              ) : (
                <p className="self-center">
                  <span className="font-semibold">{line.name}</span>
                  {line.eachBatch && <span className="quiet"> · with each batch</span>}
                </p>
              )}
              {line.own ? (
                <NumberField
                  label="How many"
                  name={`number of ${line.id}`}
                  kind={plainKind("", 1)}
                  value={line.quantity}
                  onCommit={(quantity) => say(line, { quantity }, "number of a part")}
                />
              ) : (
                <p className="self-center">
                  {printNumber(line.quantity, Number.isInteger(line.quantity) ? 1 : 0.1)} {line.unit}
                </p>
              )}
              <NumberField
                label="Price of one"
                name={`price of ${line.key || line.id}`}
                kind={plainKind(currency, 0.01)}
                value={line.price}
                onCommit={(price) => say(line, { price }, "price of a part")}
              />
              <div className="flex items-center gap-2 self-center">
                <label className="flex min-h-11 items-center gap-2">
                  <input
                    type="checkbox"
                    className="accent-base-content h-6 w-6"
                    checked={line.owned}
                    onChange={(e) => say(line, { owned: e.target.checked }, "part that is there")}
                  />
                  there<span className="sr-only"> already: {line.name}</span>
                </label>
                {line.own && (
                  <button
                    type="button"
                    className="key px-2"
                    onClick={() => changeChamber(record.id, removePart(line.id!), "part taken out")}
                  >
                    <X size={16} aria-hidden />
                    <span className="sr-only">Take {line.name} out</span>
                  </button>
                )}
              </div>
            </li>
          ))}
        </ul>
        <button
          type="button"
          className="key justify-self-start print:hidden"
          onClick={() => changeChamber(record.id, addPart, "another part")}
        >
          <Plus size={18} aria-hidden /> Something else
        </button>
        <section className="grid max-w-prose gap-2" aria-label="What it comes to">
          <h2 className="text-2xl">What it comes to</h2>
          <p className="text-lg" aria-live="polite">
            <strong>{money(cost.once)}</strong> still to be bought once
            {cost.batch > 0 ? `, ${money(cost.batch)} with each batch` : ""}
            {cost.unpriced > 0
              ? `; ${cost.unpriced} ${cost.unpriced === 1 ? "part has" : "parts have"} no price yet and count nothing.`
              : "."}
          </p>
          <MadeOrWired record={record} money={money} />
          <Running record={record} money={money} />
          <p className="quiet">
            Prices are yours, none is invented. What has to do with mains: local code and a licensed electrician decide.
          </p>
        </section>
      </main>
    </>
  );
}

/** The same chamber with a ready-made unit and wired by oneself: what each has to be bought, side by side. */
function MadeOrWired({ record, money }: { record: ChamberRecord; money: (m: number) => string }) {
  const sides = useMemo(
    () =>
      [false, true].map((own) => {
        const made = applyEdits(record, [{ section: "wiring", field: "ownWork", value: own }]);
        const lines = partLines(partsNeeded(describe(made)), record.parts);
        return { own, lines, cost: costOf(lines) };
      }),
    [record],
  );
  const [ready, wired] = sides;
  const more = wired!.lines.filter((l) => !ready!.lines.some((r) => r.key === l.key && r.name === l.name));
  return (
    <section className="grid gap-2" aria-label="Ready-made or wired">
      <h2 className="text-xl">Ready-made or wired by yourself</h2>
      <div className="overflow-x-auto">
        <table className="table-sm table w-auto">
          <thead className="text-base-content">
            <tr>
              <td />
              <th scope="col">Ready-made unit with its outlets</th>
              <th scope="col">Wired by yourself</th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row">Still to be bought</th>
              {sides.map(({ own, cost }) => (
                <td key={String(own)}>
                  {money(cost.once)}
                  {cost.unpriced > 0 && ` and ${cost.unpriced} without a price`}
                </td>
              ))}
            </tr>
            <tr>
              <th scope="row">Parts</th>
              {sides.map(({ own, lines }) => (
                <td key={String(own)}>{lines.filter((l) => l.quantity > 0).length}</td>
              ))}
            </tr>
            <tr>
              <th scope="row">What it costs besides</th>
              <td>its outlets carry what its paper says, and no more</td>
              <td>a day or two, a meter, somebody licensed who looks at it</td>
            </tr>
            <tr>
              <th scope="row">When it fails</th>
              <td>it is plugged out and another one in</td>
              <td>each part is changed by itself, and all of it proved again</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p className="quiet max-w-prose">
        Wired by yourself it takes besides: {more.map((l) => l.name).join("; ")}. The controller itself is in both
        lists.
      </p>
    </section>
  );
}

/** Electricity of the trial, by the day and the year. */
function Running({ record, money }: { record: ChamberRecord; money: (m: number) => string }) {
  const { preferences } = useWorkshop();
  const { tariff, carbon } = preferences;
  const records = useMemo(() => [record], [record]);
  const said = useVerdicts(records, preferences, preferences.scale)[record.id];
  if (said === undefined) return <p role="status">Working out what it draws …</p>;
  if (typeof said === "string") return <p role="alert">Its trial could not be run: {said}.</p>;
  const days = judgedDays(said.trial);
  const { perDay, perYear, costPerDay, costPerYear, carbonPerYear } = electricityOf(
    mainsOf(said.trial),
    days,
    tariff,
    carbon,
  );
  return (
    <p>
      In its trial it draws {printNumber(perDay, 0.01)} kWh a day: {printNumber(perYear, 1)} kWh in a year in which it
      runs all the time
      {tariff > 0
        ? `, ${money(costPerDay)} a day and ${money(costPerYear)} a year`
        : ". What a kWh costs is said in the Preferences"}
      {carbon > 0 ? `; some ${printNumber(carbonPerYear, 1)} kg of CO2` : ""}. An estimate in this room&rsquo;s weather.
    </p>
  );
}
