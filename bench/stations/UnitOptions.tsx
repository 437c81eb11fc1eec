"use client";

import { unitKindTable } from "@/core/controller";
import { unitKinds, type Edit, type Unit } from "@/core/model";
import { Choice, differenceKind, minutesKind, Select, temperatureKind } from "@/parts/fields";
import { Fold } from "@/parts/common";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { ToggleField } from "../ToggleField";
import { ValueField } from "../ValueField";
import { UnitWires } from "./UnitWires";

const scales: { value: Unit["scale"]; label: string }[] = [
  { value: "C", label: "in °C" },
  { value: "F", label: "in °F" },
];
const resolutions = [
  { value: "0.1", label: "in tenths of a degree" },
  { value: "0.5", label: "in half degrees" },
  { value: "1", label: "in whole degrees" },
];
const outlets: { value: Unit["outlet"]; label: string }[] = [
  { value: "heat", label: "switches heat" },
  { value: "cool", label: "switches cold" },
];
const switches: { value: Unit["switchedBy"]; label: string }[] = [
  { value: "relay", label: "A relay that clicks" },
  { value: "solidState", label: "An electronic one, silent" },
];
const alarms: { value: Unit["alarms"]; label: string }[] = [
  { value: "absolute", label: "At temperatures of their own" },
  { value: "deviation", label: "As distances from the setpoint (0 is off)" },
  { value: "none", label: "It has none" },
];
const faults: { value: Unit["atFault"]; label: string }[] = [
  { value: "off", label: "Switches both off and sounds" },
  { value: "hold", label: "Leaves both as they are and sounds" },
  { value: "blind", label: "Takes it for a very low or very high reading" },
];
const oneOutlet: readonly Unit["kind"][] = ["cutIn", "cutOut", "twoLimits"];

/** What kind of unit it is, and how it behaves. */
export function UnitOptions() {
  const { controller, unit } = useChamber();
  const { apply } = useActions();
  const preferences = usePreferences();
  const { id } = controller;
  const { scale } = preferences;
  const choose = (field: keyof Unit & string, label: string) => (value: string) => {
    apply([{ section: "unit", field, id, value } as Edit], label);
  };
  return (
    <Fold summary={<>Your unit: {unitKindTable[unit.kind].label.toLowerCase()}</>}>
      <div className="grid gap-5 pt-2">
        <Choice
          label="Its kind"
          layout="column"
          value={unit.kind}
          options={unitKinds.map((kind) => ({
            value: kind,
            label: unitKindTable[kind].label,
            note: unitKindTable[kind].rule,
          }))}
          onChoose={choose("kind", "kind of unit")}
        />
        {oneOutlet.includes(unit.kind) && (
          <Choice label="Its outlet" value={unit.outlet} options={outlets} onChoose={choose("outlet", "outlet")} />
        )}
        <UnitWires />
        <Choice
          label="What switches in it"
          value={unit.switchedBy}
          options={switches}
          onChoose={choose("switchedBy", "what switches")}
        />
        <Choice
          label="It shows temperatures"
          value={unit.scale}
          options={scales}
          onChoose={choose("scale", "unit scale")}
        />
        <Choice
          label="It is set"
          value={String(unit.resolution)}
          options={resolutions}
          onChoose={(value) =>
            apply([{ section: "unit", field: "resolution", id, value: Number(value) }], "unit resolution")
          }
        />
        <Fields title="Alarms and faults">
          <Select label="Alarms" value={unit.alarms} options={alarms} onChoose={choose("alarms", "alarms")} />
          {unit.alarms !== "none" && (
            <>
              <ValueField
                at={{ section: "unit", field: "alarmDelay", id }}
                label="An alarm waits"
                kind={minutesKind}
                value={unit.alarmDelay}
              />
              <ValueField
                at={{ section: "unit", field: "alarmHysteresis", id }}
                label="It stops after coming back by"
                kind={differenceKind(scale)}
                value={unit.alarmHysteresis}
              />
            </>
          )}
          <Select
            label="With its probe unplugged"
            value={unit.atFault}
            options={faults}
            onChoose={choose("atFault", "behaviour at a fault")}
          />
        </Fields>
        <ToggleField
          at={{ section: "unit", field: "restAtStart", id }}
          label="The compressor delay also runs after power-up"
          value={unit.restAtStart}
          hint="Without it a short power cut restarts the compressor against pressure."
        />
        <Fields title="Limits of the unit">
          <ValueField
            at={{ section: "unit", field: "setpointLow", id }}
            label="Lowest setpoint"
            kind={temperatureKind(scale)}
            value={unit.setpointLow}
          />
          <ValueField
            at={{ section: "unit", field: "setpointHigh", id }}
            label="Highest setpoint"
            kind={temperatureKind(scale)}
            value={unit.setpointHigh}
          />
          <ValueField
            at={{ section: "unit", field: "differentialLow", id }}
            label="Smallest differential"
            kind={differenceKind(scale)}
            value={unit.differentialLow}
          />
          <ValueField
            at={{ section: "unit", field: "differentialHigh", id }}
            label="Largest differential"
            kind={differenceKind(scale)}
            value={unit.differentialHigh}
          />
          <ValueField
            at={{ section: "unit", field: "delayHigh", id }}
            label="Longest delay"
            kind={minutesKind}
            value={unit.delayHigh}
            hint="0: it has no delay."
          />
          <ValueField
            at={{ section: "unit", field: "offsetLimit", id }}
            label="Largest offset"
            kind={differenceKind(scale)}
            value={unit.offsetLimit}
            hint="0: it has no offset."
          />
        </Fields>
      </div>
    </Fold>
  );
}
