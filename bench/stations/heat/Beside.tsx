"use client";

import { useMemo } from "react";
import { alternatives, type Alternative } from "@/core/alternatives";
import { describe } from "@/core/chamber";
import { costOf, electricityOf, partLines, partsNeeded } from "@/core/parts";
import { kelvins, measures, printDifference, printMeasure, printMoney, printNumber } from "@/core/quantity";
import { judgedDays, mainsOf, type Trial } from "@/core/trial";
import { useChamber, usePreferences } from "../../context";
import { isSerious } from "../../stations";
import { useVerdicts } from "../../useVerdicts";

/** One large or two small, fridge or freezer or foam: each tried, beside what there is. */
export function Beside() {
  const { record } = useChamber();
  const preferences = usePreferences();
  const { scale, system, tariff, carbon } = preferences;
  const money = (amount: number) => printMoney(amount, preferences.currency);
  const { ways: all, leftOut } = useMemo(() => alternatives(record), [record]);
  const records = useMemo(() => all.filter((a) => a.fits).map((a) => a.record), [all]);
  const said = useVerdicts(records, preferences, scale);
  const trialOf = (a: Alternative): Trial | null => {
    const answer = said[a.record.id];
    return typeof answer === "object" ? answer.trial : null;
  };
  const seriousOf = (a: Alternative): string => {
    const answer = said[a.record.id];
    if (!a.fits) return "";
    if (answer === undefined) return "\u2026";
    if (typeof answer === "string") return answer;
    const bad = answer.verdicts.filter(isSerious);
    return bad.length === 0 ? "nothing serious" : [...new Set(bad.map((v) => v.title))].slice(0, 2).join("; ");
  };
  const uses = (a: Alternative) => {
    const trial = trialOf(a);
    return trial ? electricityOf(mainsOf(trial) * a.times, judgedDays(trial), tariff, carbon) : null;
  };
  const once = (a: Alternative) => {
    const lines = partLines(partsNeeded(describe(a.record)), a.record.parts);
    const { once: sum, unpriced } = costOf(lines);
    return `${money(sum * a.times)}${unpriced > 0 ? ` and ${unpriced * a.times} without a price` : ""}`;
  };
  const swing = (a: Alternative) => {
    const settled = trialOf(a)?.metrics.settled;
    return settled ? printDifference(kelvins(settled.product.high - settled.product.low), scale) : "";
  };
  const rows: [string, (a: Alternative) => string][] = [
    ["What stands in it", (a) => (a.fits ? (a.times > 1 ? `${a.each} of ${a.all} in each` : "fits") : "does not fit")],
    ["Swing once it is settled", swing],
    [
      "kWh a day",
      (a) => {
        const u = uses(a);
        return u ? printNumber(u.perDay, 0.01) : "";
      },
    ],
    ...(tariff > 0
      ? [
          [
            "Electricity in a year",
            (a) => {
              const u = uses(a);
              return u ? money(u.costPerYear) : "";
            },
          ] as [string, (a: Alternative) => string],
        ]
      : []),
    ["Still to be bought", once],
    ["Ground that it stands on", (a) => `${printNumber(a.ground, 0.01)}\u00a0m²`],
    ["Room that it takes up", (a) => printMeasure(Math.round(a.outside * 1000) / 1000, measures.volume, system)],
    [
      "At the same time",
      (a) =>
        a.temperatures > 1
          ? `${a.temperatures} different temperatures, or two batches that begin apart`
          : "one temperature",
    ],
    [
      "Lost together when one fails",
      (a) => (a.together === a.all ? (a.all > 1 ? `all ${a.all}` : "the one") : `${a.together} of ${a.all}`),
    ],
    ["What is said of it", seriousOf],
  ];
  return (
    <section className="grid gap-3" aria-label="Other ways to do the same">
      <p className="quiet max-w-prose">
        Each is the same load and the same band in another box with the devices that are usual there, at its usual
        measures, tried as this one is. Prices are those that you typed in Parts and cost; what is priced under another
        name there does not count.{" "}
        {all.some((a) => a.times > 1) ? "" : "There is one vessel: nothing can be shared out to two boxes."}
      </p>
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Side by side">
        <table className="table-sm table w-auto">
          <thead className="text-base-content">
            <tr>
              <td />
              {all.map((a) => (
                <th key={a.id} scope="col" className="align-bottom">
                  {a.label}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, of]) => (
              <tr key={name}>
                <th scope="row" className="min-w-28 font-normal">
                  {name}
                </th>
                {all.map((a) => (
                  <td key={a.id} className="min-w-28 align-top">
                    {of(a)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {leftOut.map(({ label, why }) => (
        <p key={label} className="max-w-prose">
          {label}: not looked at. {why}
        </p>
      ))}
      <p role="status" className="quiet">
        {records.every((r) => said[r.id] !== undefined) ? "All of them have been tried." : "Running the trials …"}
      </p>
    </section>
  );
}
