"use client";

import { whichOf } from "@/core/chamber";
import type { Chamber, Happening, Problem } from "@/core/model";
import { controllerName } from "@/core/program";
import { atFirst, celsius, kelvins, measures } from "@/core/quantity";
import { differenceKind, measureKind, NumberField, Select, temperatureKind } from "@/parts/fields";
import { useChamber, usePreferences } from "../context";
import { deviceNames } from "../stations/deviceNames";

interface Props {
  happening: Happening;
  onPut: (next: Happening, merge?: string) => Problem | null;
}

/** To which of several it happens, and what belongs to one kind of happening alone. */
export function HappeningFields(props: Props) {
  return (
    <>
      <Which {...props} />
      <OwnFields {...props} />
    </>
  );
}

function Which({ happening: h, onPut }: Props) {
  const { chamber } = useChamber();
  const ids = whichOf(h.kind, chamber);
  if (!("which" in h) || ids.length < 2) return null;
  return (
    <Select
      label="It happens to"
      value={h.which}
      options={ids.map((id) => ({ value: id, label: nameOf(id, h, chamber) }))}
      onChoose={(which) => onPut({ ...h, which })}
    />
  );
}

function nameOf(id: string, h: Happening, chamber: Chamber): string {
  if (h.kind === "setpoint" || h.kind === "relayStuck") {
    const name = controllerName(chamber, id);
    return atFirst(name);
  }
  if (h.kind.startsWith("probe")) return `Probe ${chamber.probes.findIndex((p) => p.id === id) + 1}`;
  return deviceNames(chamber).find((d) => d.id === id)?.name ?? id;
}

function OwnFields({ happening: h, onPut }: Props) {
  const preferences = usePreferences();
  const { scale, system } = preferences;
  const temperature = temperatureKind(scale, 0.1, 0.5);
  switch (h.kind) {
    case "setpoint":
      return (
        <NumberField
          label="New setpoint"
          kind={temperature}
          value={h.to}
          onCommit={(to, m) => onPut({ ...h, to: celsius(to) }, m)}
        />
      );
    case "probeOut":
      return (
        <Select
          label="It hangs"
          value={h.to}
          options={[
            { value: "air", label: "In the air of the box" },
            { value: "room", label: "Out in the room" },
          ]}
          onChoose={(to) => onPut({ ...h, to })}
        />
      );
    case "probeFault":
      return (
        <Select
          label="The cable is"
          value={h.fault}
          options={[
            { value: "open", label: "Open (unplugged)" },
            { value: "short", label: "Shorted" },
          ]}
          onChoose={(fault) => onPut({ ...h, fault })}
        />
      );
    case "probeDrift":
      return (
        <NumberField
          label="Shows more, a day"
          kind={differenceKind(scale, 0.1, true)}
          value={h.perDay}
          onCommit={(perDay, m) => onPut({ ...h, perDay: kelvins(perDay) }, m)}
        />
      );
    case "relayStuck":
      return (
        <>
          <Select
            label="Which outlet"
            value={h.outlet}
            options={[
              { value: "heat", label: "Heat" },
              { value: "cold", label: "Cold" },
            ]}
            onChoose={(outlet) => onPut({ ...h, outlet })}
          />
          <Select
            label="It is stuck"
            value={h.to}
            options={[
              { value: "on", label: "On" },
              { value: "off", label: "Off" },
            ]}
            onChoose={(to) => onPut({ ...h, to })}
          />
        </>
      );
    case "loadIn":
      return (
        <>
          <NumberField
            label="How much"
            kind={measureKind(measures.volume, system)}
            value={h.volume}
            onCommit={(volume, m) => onPut({ ...h, volume }, m)}
          />
          <NumberField
            label="At"
            kind={temperature}
            value={h.temperature}
            onCommit={(t, m) => onPut({ ...h, temperature: celsius(t) }, m)}
          />
        </>
      );
    case "weather":
      return (
        <NumberField
          label="Warmer by"
          kind={differenceKind(scale, 0.5, true)}
          value={h.by}
          onCommit={(by, m) => onPut({ ...h, by: kelvins(by) }, m)}
          hint="Negative for a cold snap."
        />
      );
    default:
      return null;
  }
}
