"use client";

import { settingLabels } from "@/core/controller";
import type { Unit } from "@/core/model";
import { celsius, printBoth, printTemperature } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import { sentenceOfPlan } from "@/core/trial";
import { Cautions } from "@/parts/common";
import { Choice, differenceKind, minutesKind, temperatureKind } from "@/parts/fields";
import { useBench } from "../context";
import { Fields } from "../Fields";
import { ThreeRanges } from "../ThreeRanges";
import { ValueField } from "../ValueField";

const unitScales: { value: Unit["scale"]; label: string }[] = [
  { value: "C", label: "in °C" },
  { value: "F", label: "in °F" },
];
const resolutions = [
  { value: "0.1", label: "in tenths of a degree" },
  { value: "1", label: "in whole degrees" },
];

export function SettingsStation() {
  const { chamber, plan, preferences, apply } = useBench();
  const { scale } = preferences;
  const { unit } = chamber;
  const { settings, switching } = plan;
  const findings = plan.findings(scale);
  const own = scale === unit.scale;
  const temperature = temperatureKind(scale, own ? unit.resolution : 0.1);
  const difference = differenceKind(scale, own ? unit.resolution : 0.1);
  const field = (name: keyof typeof settingLabels, kind = temperature, hint?: string) => (
    <ValueField
      key={name}
      at={{ section: "settings", field: name }}
      label={settingLabels[name]}
      kind={kind}
      value={settings[name]}
      hint={hint}
    />
  );
  return (
    <>
      <section
        aria-label="What will happen"
        className="border-base-content grid gap-1 border-y py-3 text-lg leading-snug"
      >
        {sentenceOfPlan(plan, scale).map((line) => (
          <p key={line}>{line}</p>
        ))}
      </section>
      {findings.length > 0 && (
        <ul className="grid gap-1" aria-label="What the unit does not give">
          {findings.map((f) => (
            <li key={f.id + f.field} className="border-warning border-l-4 py-0.5 pl-3">
              {f.text}
            </li>
          ))}
        </ul>
      )}
      <Fields title="To key in">
        {field("setpoint")}
        {field(
          "heatingDifferential",
          difference,
          `Heat comes on at ${printTemperature(celsius(settings.setpoint - settings.heatingDifferential), scale, own ? unit.resolution : 0.1)}.`,
        )}
        {field(
          "coolingDifferential",
          difference,
          `Cold comes on at ${printTemperature(celsius(settings.setpoint + settings.coolingDifferential), scale, own ? unit.resolution : 0.1)}.`,
        )}
        {field("compressorDelay", minutesKind, "Rest between two starts; it protects the compressor.")}
        {field("lowAlarm")}
        {field("highAlarm")}
        {field("offset", differenceKind(scale, own ? unit.resolution : 0.1, true), "True minus shown.")}
      </Fields>
      <ThreeRanges />
      <details className="rule-line border-t pt-2">
        <summary className="min-h-11 content-center font-semibold">Your unit, and where it really switches</summary>
        <div className="grid gap-4 pt-2">
          <Choice
            label="It shows temperatures"
            value={unit.scale}
            options={unitScales}
            onChoose={(value) => apply([{ section: "unit", field: "scale", value }], "unit scale")}
          />
          <Choice
            label="It is set"
            value={String(unit.resolution)}
            options={resolutions}
            onChoose={(value) =>
              apply([{ section: "unit", field: "resolution", value: Number(value) }], "unit resolution")
            }
          />
          <p className="max-w-prose">
            A display rounds. At the probe itself heat comes on below {printBoth(switching.heatOn, scale, 0.01)} and
            goes off at {printBoth(switching.heatOff, scale, 0.01)}; cold comes on at{" "}
            {printBoth(switching.coolOn, scale, 0.01)} and goes off below {printBoth(switching.coolOff, scale, 0.01)}.
          </p>
          <Fields title="Limits of the unit">
            <ValueField
              at={{ section: "unit", field: "setpointLow" }}
              label="Lowest setpoint"
              kind={temperatureKind(scale)}
              value={unit.setpointLow}
            />
            <ValueField
              at={{ section: "unit", field: "setpointHigh" }}
              label="Highest setpoint"
              kind={temperatureKind(scale)}
              value={unit.setpointHigh}
            />
            <ValueField
              at={{ section: "unit", field: "differentialLow" }}
              label="Smallest differential"
              kind={differenceKind(scale)}
              value={unit.differentialLow}
            />
            <ValueField
              at={{ section: "unit", field: "differentialHigh" }}
              label="Largest differential"
              kind={differenceKind(scale)}
              value={unit.differentialHigh}
            />
            <ValueField
              at={{ section: "unit", field: "delayHigh" }}
              label="Longest delay"
              kind={minutesKind}
              value={unit.delayHigh}
            />
            <ValueField
              at={{ section: "unit", field: "offsetLimit" }}
              label="Largest offset"
              kind={differenceKind(scale)}
              value={unit.offsetLimit}
            />
          </Fields>
        </div>
      </details>
      <Cautions cautions={cautionsAt("settings")} />
    </>
  );
}
