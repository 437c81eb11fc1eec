"use client";

import type { Fan, Light, Named } from "@/core/model";
import { plainKind } from "@/parts/fields";
import { useChamber } from "../context";
import { Fields } from "../Fields";
import { ValueField } from "../ValueField";

interface Props {
  section: "fan" | "light";
  device: Named<Fan> | Named<Light>;
}

/** A fan or a light: what it takes ends as heat in the box. */
export function PlainDevice({ section, device }: Props) {
  const { chamber } = useChamber();
  const stirs = chamber.cabinet.fan
    ? "The box has a fan of its own that stirs already: this one only adds its heat."
    : "It stirs the air while it runs: heat gets to the vessel about two thirds quicker (estimate).";
  return (
    <Fields
      title="What it takes"
      note={section === "fan" ? stirs : "All of it ends as heat in the box. Light spoils beer."}
    >
      <ValueField
        at={{ section, field: "power", id: device.id }}
        label="Power"
        kind={plainKind("W", 1)}
        value={device.power}
      />
    </Fields>
  );
}
