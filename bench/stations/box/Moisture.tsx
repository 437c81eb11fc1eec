"use client";

import { GEL_TAKES, moistureDefaults } from "@/core/chamber";
import type { FieldOf } from "@/core/model";
import { dewPoint, humidityRatio } from "@/core/moisture";
import { celsius, measures, printDuration, printMeasure, printNumber, printTemperature } from "@/core/quantity";
import { stageName } from "@/core/program";
import type { MoistResult, Trial } from "@/core/trial";
import { measureKind, percentKind, plainKind } from "@/parts/fields";
import { useChamber, usePreferences, useShownTrial } from "../../context";
import { Fields } from "../../Fields";
import { ToggleField } from "../../ToggleField";
import { ValueField } from "../../ValueField";

const DAY = 86_400;

/** Water in the air: what brings it in, what takes it out, and what becomes of it in the trial. */
export function Moisture() {
  const { chamber } = useChamber();
  const { system, scale } = usePreferences();
  const { live } = useShownTrial();
  const { moisture, cabinet, stages, vessels } = chamber;
  const usual = moistureDefaults(cabinet, stages);
  const at = (field: FieldOf<"moisture">) => ({ section: "moisture" as const, field });
  const trial = live.answer?.trial;
  const means = trial ? meansOf(trial) : [];
  const rate = measureKind(measures.waterRate, system);
  const asks = stages.some((s) => s.humidity > 0);
  return (
    <section className="grid gap-4" aria-label="Water in the air">
      <ToggleField
        at={at("reckoned")}
        label="Work the humidity of the air out"
        value={moisture.reckoned}
        hint="From what breathes, dries, condenses and drips, beside the temperatures of the trial. Otherwise it is as you type it."
      />
      {!moisture.reckoned && (
        <ValueField
          at={{ section: "cabinet", field: "humidity" }}
          label="Humidity of the air in the box"
          kind={percentKind}
          value={cabinet.humidity}
          hint="As you have measured it. Nothing is said of wet walls, ice and mould then."
        />
      )}
      {moisture.reckoned && trial?.moisture && (
        <>
          {means.map(({ stage, mean, air }) => (
            <p key={stage} className="max-w-prose text-lg" aria-live="polite">
              {means.length > 1 && `${stageName(stages, stages[stage]!.id)}: `}On average the air comes to{" "}
              <strong>{Math.round(mean * 100)}&nbsp;%</strong>, {printNumber(humidityRatio(mean, air) * 1000, 0.1)}
              &nbsp;g of water in a kg of it.{" "}
              {mean > 0 ? (
                <>
                  At {printTemperature(celsius(air), scale)} water condenses from it on whatever is colder than{" "}
                  <strong>{printTemperature(celsius(dewPoint(mean, air)), scale)}</strong>.
                </>
              ) : (
                "Nothing condenses from it."
              )}
            </p>
          ))}
          <Books of={trial.moisture} drains={moisture.drains} />
        </>
      )}
      {moisture.reckoned && (
        <Fields
          title="What brings water in and takes it out"
          note="Estimates are shown with the span that they may lie in; the shade in the trial's humidity lane is a third and three times of the air's change and of what is wet."
        >
          <ValueField
            at={at("airChanges")}
            label="Changes of air while shut"
            kind={plainKind("an hour", 0.05)}
            value={moisture.airChanges}
            hint={`Seal, drain, vents. A shut box: 0.02 to 0.5 (estimate ${usual.airChanges.toPrecision(2)}); what a happening opens comes on top.`}
          />
          <ValueField
            at={at("room")}
            label="Humidity of the room"
            kind={percentKind}
            value={moisture.room}
            hint="40 to 70 % indoors, more in a cellar."
          />
          <ValueField
            at={at("tray")}
            label="Open water or brine in it"
            kind={plainKind("m²", 0.02)}
            value={moisture.tray}
            hint="Its surface; 0: none. A tray of 30 by 40 cm is 0.12."
          />
          {moisture.tray > 0 && (
            <ValueField
              at={at("trayActivity")}
              label="Its water activity"
              kind={plainKind("", 0.05)}
              value={moisture.trayActivity}
              hint="1 of water; 0.75 of table salt that still lies in its brine (a published fixed point): it gives and takes."
            />
          )}
          {vessels.map(
            (v, i) =>
              v.wall === "none" && (
                <ValueField
                  key={v.id}
                  at={{ section: "vessel", field: "wetShare", id: v.id }}
                  label={`Wet share of ${vessels.length > 1 ? `vessel ${i + 1}` : "what lies in it"}`}
                  kind={percentKind}
                  value={v.wetShare}
                  hint="Against open water. Perforated bags: 1 to 10 % (estimate). 0: covered, or it dries by its own law, as sausage does."
                />
              ),
          )}
          <ValueField
            at={at("humidifier")}
            label="Humidifier, at most"
            kind={rate}
            value={moisture.humidifier}
            hint={
              asks
                ? "With its own on and off; it holds what the stage asks for."
                : "It has nothing to hold: no stage asks for a humidity."
            }
          />
          <ValueField
            at={at("dehumidifier")}
            label="Dehumidifier, at most"
            kind={rate}
            value={moisture.dehumidifier}
            hint="At 20 °C and 80 %; it takes less from colder, drier air, and warms the box."
          />
          {(moisture.humidifier > 0 || moisture.dehumidifier > 0) && (
            <ValueField
              at={at("between")}
              label="Between off and on of both"
              kind={percentKind}
              value={moisture.between}
              hint="Points of humidity. Too narrow, and they work against each other."
            />
          )}
          <ValueField
            at={at("absorber")}
            label="Dry absorber"
            kind={measureKind(measures.mass, system)}
            value={moisture.absorber}
            hint={`Silica gel and the like take about ${GEL_TAKES * 100} % of their mass, less and less as they fill (estimate).`}
          />
          <ToggleField
            at={at("drains")}
            label="What drips runs out through a drain"
            value={moisture.drains}
            hint="Most upright fridges have one at the back; a chest has none while it runs."
          />
        </Fields>
      )}
      <p className="quiet max-w-prose">
        Let every cable hang in a loop below the hole through which it enters, so that water drips off there. What has a
        plug, a relay or a fan and is not made for wet places belongs outside.
      </p>
    </section>
  );
}

/** What the air is like on average in each stage that the trial comes to. */
function meansOf({ trace, bands }: Pick<Trial, "trace" | "bands">) {
  const { humidity } = trace;
  if (!humidity) return [];
  const sums = new Map<number, { humidity: number; air: number; bins: number }>();
  for (let i = 0; i < trace.bins; i++) {
    const at = trace.from + (i + 0.5) * trace.width;
    const stage = bands.find((b) => at >= b.from && at < b.to)?.stage;
    if (stage === undefined) continue;
    const sum = sums.get(stage) ?? { humidity: 0, air: 0, bins: 0 };
    sum.humidity += humidity.usual[i]!;
    sum.air += (trace.low.air[i]! + trace.high.air[i]!) / 2;
    sum.bins++;
    sums.set(stage, sum);
  }
  return [...sums].map(([stage, s]) => ({ stage, mean: s.humidity / s.bins, air: s.air / s.bins }));
}

/** The books of the water over the trial: what came, what went, where it lies. */
function Books({ of, drains }: { of: MoistResult; drains: boolean }) {
  const { system } = usePreferences();
  const days = of.of / DAY;
  const water = (kg: number) =>
    Math.abs(kg) < 0.1 ? `${Math.round(kg * 1000)}\u00a0g` : printMeasure(kg, measures.mass, system);
  const wall = of.surfaces.find((s) => s.on === "lining")!;
  const plates = of.surfaces.filter((s) => s.on === "cooler" && s.area > 0);
  const ice = plates.reduce((sum, s) => sum + s.mostIce, 0);
  const rows: [string, string][] = [
    ["From what dries and is wet", water(of.given + of.fromWet)],
    [
      of.breathed < 0 ? "Out with the air that it breathes" : "In with the air that it breathes",
      water(Math.abs(of.breathed)),
    ],
    ...(of.humidified > 0 ? [["By the humidifier", water(of.humidified)] as [string, string]] : []),
    ...(of.dehumidified > 0 ? [["Taken by the dehumidifier", water(of.dehumidified)] as [string, string]] : []),
    ...(of.absorbed > 0 ? [["Taken by the absorber", water(of.absorbed)] as [string, string]] : []),
    [
      drains ? "Out through the drain" : "Lies in the box at the end",
      water(drains ? of.drained : of.surfaces.reduce((s, x) => s + x.left, 0)),
    ],
    [
      "Most on the inner wall",
      wall.most < 0.001 ? "none" : `${water(wall.most)}; wet for ${printDuration(wall.wetFor)}`,
    ],
    ...(plates.length > 0
      ? [["Most ice on the cold plate", ice < 0.001 ? "none" : water(ice)] as [string, string]]
      : []),
    ...(of.electric > 0
      ? [
          ["Electricity of both devices", `${(of.electric / 3.6e6 / days).toFixed(2)}\u00a0kWh a day`] as [
            string,
            string,
          ],
        ]
      : []),
  ];
  return (
    <div className="overflow-x-auto">
      <table className="table-sm table w-auto">
        <caption className="pb-1 text-left">Water in this trial of {printDuration(of.of)}</caption>
        <tbody>
          {rows.map(([name, value]) => (
            <tr key={name}>
              <th scope="row" className="font-normal">
                {name}
              </th>
              <td className="text-right font-semibold">{value}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
