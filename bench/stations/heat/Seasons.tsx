"use client";

import { useMemo } from "react";
import { seasonsIn } from "@/core/alternatives";
import { describe } from "@/core/chamber";
import { electricityOf } from "@/core/parts";
import { printMoney, printNumber, printTemperature } from "@/core/quantity";
import { judgedDays, mainsOf } from "@/core/trial";
import { differenceKind } from "@/parts/fields";
import { useChamber, usePreferences } from "../../context";
import { Fields } from "../../Fields";
import { isSerious } from "../../stations";
import { useVerdicts } from "../../useVerdicts";
import { ValueField } from "../../ValueField";

/** Electricity by the season, with what it costs and the CO2 that it makes. */
export function Seasons() {
  const { record, chamber } = useChamber();
  const preferences = usePreferences();
  const { scale, tariff, carbon } = preferences;
  const money = (amount: number) => printMoney(amount, preferences.currency);
  const seasons = useMemo(() => seasonsIn(record), [record]);
  const records = useMemo(() => seasons.map((s) => s.record), [seasons]);
  const said = useVerdicts(records, preferences, scale);
  const rows = seasons.map((season) => {
    const answer = said[season.record.id];
    const { room } = describe(season.record);
    const trial = typeof answer === "object" ? answer.trial : null;
    const days = trial ? judgedDays(trial) : 0;
    const uses = trial ? electricityOf(mainsOf(trial), days, tariff, carbon) : null;
    const bad = typeof answer === "object" ? answer.verdicts.find(isSerious) : undefined;
    return { season, room, uses, bad, failed: typeof answer === "string" ? answer : null };
  });
  const all = rows.every((r) => r.uses !== null);
  const year = rows.reduce((sum, r) => sum + (r.uses?.perYear ?? 0) * r.season.share, 0);
  const costs = tariff > 0;
  return (
    <section className="grid gap-4" aria-label="Electricity by the season">
      <Fields
        title="Its room in the year"
        note="Against the room as it is typed in Box, which stands for spring and autumn. A garage swings by more than a cellar."
      >
        <ValueField
          at={{ section: "room", field: "winter" }}
          label="Winter, against that"
          kind={differenceKind(scale, 0.5, true)}
          value={chamber.room.winter}
        />
        <ValueField
          at={{ section: "room", field: "summer" }}
          label="Summer, against that"
          kind={differenceKind(scale, 0.5, true)}
          value={chamber.room.summer}
        />
      </Fields>
      <div className="overflow-x-auto" aria-busy={!all}>
        <table className="table-sm table w-auto">
          <thead className="text-base-content">
            <tr>
              <th>Season</th>
              <th>Room</th>
              <th className="text-right">kWh a day</th>
              <th className="text-right">kWh a month</th>
              {costs && <th className="text-right">Cost a month</th>}
              {carbon > 0 && <th className="text-right">kg CO2 a month</th>}
              <th>What is said of it</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ season, room, uses, bad, failed }) => (
              <tr key={season.id}>
                <th scope="row">{season.label}</th>
                <td className="whitespace-nowrap">
                  {printTemperature(room.low, scale).replace(/\u00a0.*/, "")} to {printTemperature(room.high, scale)}
                </td>
                <td className="text-right">{uses ? printNumber(uses.perDay, 0.01) : failed ? "\u2013" : "\u2026"}</td>
                <td className="text-right font-semibold">{uses ? printNumber(uses.perDay * 30.4, 0.1) : ""}</td>
                {costs && <td className="text-right">{uses ? money(uses.costPerDay * 30.4) : ""}</td>}
                {carbon > 0 && <td className="text-right">{uses ? printNumber(uses.carbonPerYear / 12, 0.1) : ""}</td>}
                <td>{failed ?? bad?.title ?? (uses ? "nothing serious" : "")}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p role="status" className="max-w-prose">
        {all ? (
          <>
            Over a year in which it runs all the time: <strong>{printNumber(year, 1)} kWh</strong>
            {costs && (
              <>
                , <strong>{money(year * tariff)}</strong>
              </>
            )}
            {carbon > 0 && `, ${printNumber(year * carbon, 1)} kg of CO2`}. The trials of the seasons run with the
            settings of this one.
          </>
        ) : (
          "Running a trial of each season …"
        )}
        {!costs && " What a kWh costs is said in the Preferences."}
      </p>
    </section>
  );
}
