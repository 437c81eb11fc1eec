"use client";

import dynamic from "next/dynamic";
import { labelOf, parametersOf, pointsOf, settingTable, unitKindTable } from "@/core/controller";
import type { SettingName, Wish } from "@/core/model";
import { printBoth, printTemperature } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import { planFindings, planQuestions, planSentence } from "@/core/trial";
import { Cautions } from "@/parts/common";
import { Choice } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { ThreeRanges } from "../ThreeRanges";
import { ValueField } from "../ValueField";
import { Remarks } from "./Remarks";
import { ReadBack } from "./ReadBack";
import { settingKind } from "./settingKind";
import { TwoLimits } from "./TwoLimits";
import { UnitSheet } from "./UnitSheet";
import { UnitOptions } from "./UnitOptions";
import { UnitPicker } from "./UnitPicker";

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
  const { chamber, stage, unitPlan, controller, unit, control } = useChamber();
  const { apply } = useActions();
  const preferences = usePreferences();
  const { scale } = preferences;
  const { settings, switching } = control;
  const { wish } = stage;
  const points = pointsOf(settings, unit);
  const at = (t: typeof points.heatOn) => printTemperature(t, scale, scale === unit.scale ? unit.resolution : 0.1);
  const hints: Partial<Record<SettingName, string>> = {
    heatingDifferential: `Heat comes on at ${at(points.heatOn)}.`,
    coolingDifferential: `Cold comes on at ${at(points.coldOn)}.`,
  };
  const { heatOn, heatOff, coldOn, coldOff } = switching;
  // What is typed into one unit's field is not carried over into another's.
  const about = `${stage.id} ${controller.id}`;
  const watches = unit.kind === "watch";
  return (
    <>
      <UnitPicker />
      <section
        aria-label="What will happen"
        className="border-base-content grid gap-1 border-y py-3 text-lg leading-snug"
      >
        {planSentence(unitPlan, scale).map((line) => (
          <p key={line}>{line}</p>
        ))}
      </section>
      <Remarks findings={planFindings(unitPlan, scale)} questions={planQuestions(unitPlan, chamber, scale)} />
      <Fields
        title={`To key in${unit.name ? ` on \u201c${unit.name}\u201d` : ""}`}
        note={`${unitKindTable[unit.kind].label}. ${unitKindTable[unit.kind].rule}`}
      >
        {parametersOf(unit).map((name) => (
          <ValueField
            key={`${about} ${name}`}
            at={{ section: "settings", field: name, id: controller.id, stage: stage.id }}
            label={labelOf(name, unit)}
            kind={settingKind(name, unit, scale)}
            value={settings[name]}
            hint={hints[name] ?? settingTable[name].hint}
          />
        ))}
      </Fields>
      {!watches && (
        <>
          <Choice
            label="What the numbers shall follow"
            value={wish}
            options={wishes}
            onChoose={(value) =>
              apply([{ section: "stage", field: "wish", id: stage.id, value }], "what the numbers follow")
            }
          />
          <ThreeRanges />
          <Recommend key={`best ${about}`} />
          <TwoLimits key={`limits ${about}`} />
          <ReadBack key={`read ${about}`} />
        </>
      )}
      <UnitOptions />
      <UnitSheet />
      {!watches && (
        <p className="quiet max-w-prose">
          A display rounds. At the probe itself{" "}
          {heatOn !== null && heatOff !== null && (
            <>
              heat comes on below {printBoth(heatOn, scale, 0.01)} and goes off at {printBoth(heatOff, scale, 0.01)}
            </>
          )}
          {heatOn !== null && coldOn !== null && "; "}
          {coldOn !== null && coldOff !== null && (
            <>
              cold comes on at {printBoth(coldOn, scale, 0.01)} and goes off below {printBoth(coldOff, scale, 0.01)}
            </>
          )}
          .
        </p>
      )}
      <Cautions cautions={cautionsAt("settings")} />
    </>
  );
}
