"use client";

import dynamic from "next/dynamic";
import { labelOf, parametersOf, pointsOf, unitKindTable } from "@/core/controller";
import type { SettingName, Wish } from "@/core/model";
import { printBoth, printTemperature } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import { sentenceOfPlan } from "@/core/trial";
import { Cautions } from "@/parts/common";
import { Choice } from "@/parts/fields";
import { useBench } from "../context";
import { Fields } from "../Fields";
import { ThreeRanges } from "../ThreeRanges";
import { ValueField } from "../ValueField";
import { Remarks } from "./Remarks";
import { ReadBack } from "./ReadBack";
import { settingKind } from "./settingKind";
import { TwoLimits } from "./TwoLimits";
import { UnitSheet } from "./UnitSheet";
import { UnitOptions } from "./UnitOptions";

// The search comes after the page: its words and picture are wanted only once it is asked for.
const Recommend = dynamic(() => import("./Recommend").then((m) => m.Recommend), { ssr: false });

const wishes: { value: Wish; label: string; note: string }[] = [
  { value: "band", label: "By the band", note: "Heat and cold come on at its ends and go off at the target." },
  { value: "tight", label: "As tight as possible", note: "The least that keeps heat and cold apart: more starts." },
  {
    value: "restful",
    label: "As restful as possible",
    note: "The whole band and a long rest: fewest starts, most swing.",
  },
  {
    value: "edge",
    label: "From the warm edge",
    note: "A small differential under a higher setpoint, for a cold room.",
  },
];

export function SettingsStation() {
  const { chamber, plan, preferences, apply } = useBench();
  const { scale } = preferences;
  const { unit } = chamber;
  const { settings, switching } = plan;
  const { wish } = chamber.stages[0]!;
  const points = pointsOf(settings, unit);
  const at = (t: typeof points.heatOn) => printTemperature(t, scale, scale === unit.scale ? unit.resolution : 0.1);
  const hints: Partial<Record<SettingName, string>> = {
    heatingDifferential: `Heat comes on at ${at(points.heatOn)}.`,
    coolingDifferential: `Cold comes on at ${at(points.coolOn)}.`,
    compressorDelay: "Rest between two starts; it protects the compressor.",
    offset: "True minus shown.",
    lowDeviation: "Below the setpoint; 0 is off.",
    highDeviation: "Above the setpoint; 0 is off.",
  };
  const { heatOn, heatOff, coolOn, coolOff } = switching;
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
      <Remarks findings={plan.findings(scale)} questions={plan.questions(scale)} />
      <Fields
        title={`To key in${unit.name ? ` on \u201c${unit.name}\u201d` : ""}`}
        note={`${unitKindTable[unit.kind].label}. ${unitKindTable[unit.kind].rule}`}
      >
        {parametersOf(unit).map((name) => (
          <ValueField
            key={name}
            at={{ section: "settings", field: name }}
            label={labelOf(name, unit)}
            kind={settingKind(name, unit, scale)}
            value={settings[name]}
            hint={hints[name]}
          />
        ))}
      </Fields>
      <Choice
        label="What the numbers shall follow"
        value={wish}
        options={wishes}
        onChoose={(value) => apply([{ section: "stage", field: "wish", value }], "what the numbers follow")}
      />
      <ThreeRanges />
      <Recommend />
      <TwoLimits />
      <ReadBack />
      <UnitOptions />
      <UnitSheet />
      <p className="quiet max-w-prose">
        A display rounds. At the probe itself{" "}
        {heatOn !== null && heatOff !== null && (
          <>
            heat comes on below {printBoth(heatOn, scale, 0.01)} and goes off at {printBoth(heatOff, scale, 0.01)}
          </>
        )}
        {heatOn !== null && coolOn !== null && "; "}
        {coolOn !== null && coolOff !== null && (
          <>
            cold comes on at {printBoth(coolOn, scale, 0.01)} and goes off below {printBoth(coolOff, scale, 0.01)}
          </>
        )}
        .
      </p>
      <Cautions cautions={cautionsAt("settings")} />
    </>
  );
}
