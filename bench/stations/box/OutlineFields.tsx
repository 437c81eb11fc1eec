"use client";

import { vesselName } from "@/core/chamber";
import { isFlat } from "@/core/fit";
import type { LoadedVessel } from "@/core/model";
import type { measureKind } from "@/parts/fields";
import { useChamber } from "../../context";
import { Fields } from "../../Fields";
import { ValueField } from "../../ValueField";

interface Props {
  vessel: LoadedVessel;
  several: boolean;
  length: ReturnType<typeof measureKind>;
  mm: ReturnType<typeof measureKind>;
}

type Field =
  "bodyHeight" | "bodyWidth" | "footWidth" | "legs" | "lidHeight" | "lidOver" | "above" | "reach" | "handles" | "tap";

/** The whole outline of a vessel: legs, body, lid, and what stands off it. */
export function OutlineFields({ vessel, several, length, mm }: Props) {
  const { chamber } = useChamber();
  const at = chamber.vessels.indexOf(vessel) + 1;
  const field = (name: Field, label: string, kind: Props["length"], hint?: string) => (
    <ValueField
      at={{ section: "vessel", field: name, id: vessel.id }}
      label={several ? `Vessel ${at}: ${label.toLowerCase()}` : label}
      kind={kind}
      value={vessel[name]}
      hint={hint}
    />
  );
  const name = vesselName(vessel);
  if (isFlat(vessel))
    return (
      <Fields title={several ? `Trays of vessel ${at}` : "Your trays, as measured"}>
        {field("bodyWidth", "Side of a tray", length, "The longer one. 0: as is usual for its volume.")}
        {field("bodyHeight", "Height of a tray", mm, "0: as is usual.")}
      </Fields>
    );
  return (
    <Fields title={several ? `Outline of vessel ${at}` : `Outline of the ${name}`}>
      {field("bodyHeight", "Height of the body", length, `0: as a usual ${name} of its volume.`)}
      {field("bodyWidth", "Width at its widest", length, "0: as is usual.")}
      {field("footWidth", "Width at its foot", length, "Where it tapers. 0: straight.")}
      {field("legs", "Legs under it", mm)}
      {field("lidHeight", "Lid above the body", mm)}
      {field("lidOver", "Lid reaches over, on each side", mm)}
      {field("above", "Airlock, hose or pressure valve above it", length)}
      {field("reach", "Room to reach over it", length, "To take a sample.")}
      {field("handles", "Handles, on each side", mm)}
      {field("tap", "A tap in front", mm)}
    </Fields>
  );
}
